import angular from 'angular-eslint';
import { defineConfig } from 'eslint/config';
import tseslint from 'typescript-eslint';

/** What belongs to the outside world and so not into core. */
const OUTSIDE = [
  'window',
  'document',
  'fetch',
  'localStorage',
  'process',
  'Buffer',
  'console',
  'setTimeout',
  'Date',
];

export default defineConfig(
  { ignores: ['**/node_modules', '**/dist', '.angular', '.setup', 'e2e/test-results'] },
  {
    files: ['**/*.ts'],
    extends: [tseslint.configs.strictTypeChecked, tseslint.configs.stylisticTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/explicit-function-return-type': 'off',
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
      complexity: ['error', 12],
      eqeqeq: 'error',
    },
  },
  {
    files: ['core/src/**/*.ts'],
    rules: { 'no-restricted-globals': ['error', ...OUTSIDE] },
  },
  {
    // Dates that are given, never the one it is.
    files: ['core/src/{day/clock,solar/sun-position}.ts'],
    rules: { 'no-restricted-globals': ['error', ...OUTSIDE.filter((each) => each !== 'Date')] },
  },
  {
    // Flat arrays walked by index: the bound of the loop, or the bit of a mask, is the proof that the element is there.
    files: [
      'core/src/units/combine-doubts.ts',
      'core/src/sets/{monotone-cache,known-of-case,limits-by-element,interchangeable-loads,worth-bound}.ts',
    ],
    rules: { '@typescript-eslint/no-non-null-assertion': 'off' },
  },
  {
    files: ['app/src/**/*.ts'],
    extends: [angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        { type: 'element', prefix: 'heli', style: 'kebab-case' },
      ],
      '@angular-eslint/component-class-suffix': 'off',
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
      // Angular types some option objects as classes.
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
    },
  },
  {
    files: ['app/**/*.html'],
    extends: [angular.configs.templateRecommended, angular.configs.templateAccessibility],
  },
  {
    // The component library puts the control into the label.
    files: ['app/src/ui/{choice-bar,checkbox}.ts/*.html'],
    rules: { '@angular-eslint/template/label-has-associated-control': 'off' },
  },
  {
    files: ['**/*.spec.ts', 'e2e/**/*.ts', 'core/spec/**/*.ts'],
    rules: {
      'max-lines-per-function': 'off',
      '@typescript-eslint/no-explicit-any': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
    },
  },
);
