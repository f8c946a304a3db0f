import angular from 'angular-eslint';
import { defineConfig } from 'eslint/config';

/** What is Angular's alone, classes and templates: .oxlintrc.json has all that any TypeScript must keep. */
export default defineConfig(
  { ignores: ['**/node_modules', '**/dist', '.angular', '.setup', 'e2e/test-results'] },
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
);
