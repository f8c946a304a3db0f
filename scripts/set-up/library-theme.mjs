import { existsSync } from 'node:fs';
import { join } from 'node:path';
import less from 'less';
import { Fault } from './fault.mjs';
import { root } from './paths.mjs';

/**
 * What the component library's own variables are in ours. Its colour functions cannot read custom properties, so each
 * variable is compiled as a literal that nothing else has, and the literal becomes the property afterwards.
 */
const COLOURS = {
  'primary-color': '--ink',
  'primary-color-hover': '--ink-2',
  'primary-color-active': '--ink',
  'primary-color-outline': '--rule',
  'primary-1': '--paper-2',
  'primary-2': '--paper-2',
  'primary-3': '--rule',
  'primary-4': '--rule-2',
  'primary-5': '--ink-2',
  'primary-7': '--ink',
  'primary-8': '--ink',
  'primary-9': '--ink',
  'primary-10': '--ink',
  'processing-color': '--ink',
  'info-color': '--ink',
  'info-color-deprecated-bg': '--paper',
  'info-color-deprecated-border': '--rule-2',
  'success-color': '--ink',
  'success-color-hover': '--ink-2',
  'success-color-active': '--ink',
  'success-color-outline': '--rule',
  'success-color-deprecated-bg': '--paper',
  'success-color-deprecated-border': '--rule-2',
  'warning-color': '--ink',
  'warning-color-hover': '--ink-2',
  'warning-color-active': '--ink',
  'warning-color-outline': '--rule',
  'warning-color-deprecated-bg': '--paper',
  'warning-color-deprecated-border': '--rule-2',
  'error-color': '--ink',
  'error-color-hover': '--ink-2',
  'error-color-active': '--ink',
  'error-color-outline': '--rule',
  'error-color-deprecated-bg': '--paper',
  'error-color-deprecated-border': '--ink',
  'highlight-color': '--ink',
  'normal-color': '--rule-2',
  white: '--paper',
  black: '--ink',
  'body-background': '--paper',
  'component-background': '--paper',
  'popover-background': '--surface',
  'text-color': '--ink',
  'text-color-secondary': '--ink-2',
  'text-color-inverse': '--on-selected',
  'icon-color-hover': '--ink',
  'heading-color': '--ink',
  'item-active-bg': '--sun-wash',
  'item-hover-bg': '--paper-2',
  'border-color-base': '--rule-2',
  'border-color-split': '--rule',
  'border-color-inverse': '--paper',
  'background-color-light': '--paper-2',
  'background-color-base': '--paper-2',
  'disabled-color': '--ink-3',
  'disabled-bg': '--paper',
  'disabled-active-bg': '--paper-2',
  'disabled-color-dark': '--ink-3',
  'shadow-color': '--rule',
  'shadow-color-inverse': '--paper',
  'input-placeholder-color': '--ink-3',
  'input-icon-color': '--ink-2',
  'input-icon-hover-color': '--ink',
  'input-hover-border-color': '--ink',
  'input-number-hover-border-color': '--ink',
  'input-number-handler-active-bg': '--paper-2',
  'select-item-selected-bg': '--sun-wash',
  'select-item-active-bg': '--paper-2',
  'select-clear-background': '--paper',
  'tooltip-bg': '--ink',
  'tooltip-color': '--paper',
  'table-header-bg': '--paper',
  'table-header-sort-bg': '--paper',
  'table-header-sort-active-bg': '--paper-2',
  'table-body-sort-bg': '--paper',
  'table-body-selected-sort-bg': '--sun-wash',
  'table-row-hover-bg': '--paper-2',
  'table-selected-row-bg': '--sun-wash',
  'table-selected-row-hover-bg': '--sun-wash',
  'table-expanded-row-bg': '--paper',
  'table-border-color': '--rule',
  'table-header-cell-split-color': '--rule',
  'table-header-icon-color': '--ink-3',
  'table-header-icon-color-hover': '--ink',
  'table-fixed-header-sort-active-bg': '--paper-2',
  'table-header-filter-active-bg': '--paper-2',
  'table-filter-btns-bg': '--paper',
  'table-filter-dropdown-bg': '--paper',
  'modal-mask-bg': '--veil',
  'modal-close-color': '--ink-2',
  'drawer-bg': '--paper',
  'picker-basic-cell-hover-color': '--paper-2',
  'picker-basic-cell-active-with-range-color': '--sun-wash',
  'picker-basic-cell-hover-with-range-color': '--sun-wash',
  'picker-basic-cell-disabled-bg': '--paper',
  'picker-border-color': '--rule',
  'picker-date-hover-range-border-color': '--rule-2',
  'picker-date-hover-range-color': '--sun-wash',
  'switch-shadow-color': '--rule',
  'switch-bg': '--paper',
  'progress-default-color': '--ink',
  'progress-remaining-color': '--rule',
  'progress-text-color': '--ink',
  'process-tail-color': '--rule',
  'process-icon-color': '--ink',
  'wait-icon-color': '--ink-3',
  'btn-text-hover-bg': '--paper-2',
  'radio-disabled-button-checked-bg': '--paper-2',
  'tabs-card-head-background': '--paper',
  'btn-primary-bg': '--selected',
  'btn-primary-color': '--on-selected',
  'btn-danger-bg': '--ink',
  'btn-danger-border': '--ink',
  'btn-default-color': '--ink',
  'btn-default-bg': '--paper',
  'btn-default-border': '--rule-2',
  'btn-link-hover-bg': '--paper',
  'radio-button-bg': '--paper',
  'radio-button-checked-bg': '--selected',
  'radio-button-color': '--ink-2',
  'radio-button-hover-color': '--ink',
  'radio-button-active-color': '--ink',
  'radio-solid-checked-color': '--on-selected',
  'checkbox-color': '--ink',
  'checkbox-check-color': '--paper',
  'checkbox-check-bg': '--paper',
};

/** Measures and shapes: our type, our corners, no shadows, no motion beyond what the system allows. */
const MEASURES = {
  'font-family': 'inherit',
  'font-size-base': '14px',
  'font-variant-base': 'tabular-nums',
  'line-height-base': '1.4286',
  'height-base': '32px',
  'height-sm': '28px',
  'height-lg': '44px',
  'border-radius-base': '2px',
  'border-radius-sm': '2px',
  'border-radius-lg': '2px',
  'box-shadow-base': 'none',
  'shadow-1-up': 'none',
  'shadow-1-down': 'none',
  'shadow-1-left': 'none',
  'shadow-1-right': 'none',
  'shadow-2': 'none',
  'btn-shadow': 'none',
  'btn-primary-shadow': 'none',
  'btn-text-shadow': 'none',
  'btn-font-weight': '500',
  'modal-border-radius': '2px',
  'animation-duration-slow': '0.12s',
  'animation-duration-base': '0.1s',
  'animation-duration-fast': '0.06s',
};

/** Colours that its styles name outright, as they come out of the compiler. */
const NAMED = {
  '#fff': '--paper',
  '#ffffff': '--paper',
  '#f0f0f0': '--paper-2',
  '#f3f3f3': '--rule',
  '#f5f5f5': '--paper-2',
  '#f5f5f7': '--paper-2',
  '#fafafa': '--paper',
  '#d9d9d9': '--rule-2',
  '#dce0e6': '--rule',
  '#bfbfbf': '--ink-3',
  '#aeb8c2': '--rule-2',
  'rgba(0, 0, 0, 0.03)': '--paper-2',
  'rgba(0, 0, 0, 0.05)': '--paper-2',
  'rgba(0, 0, 0, 0.35)': '--rule-2',
  'rgba(0, 0, 0, 0.65)': '--ink-2',
  'rgba(0, 0, 0, 0.8)': '--rule-2',
};
const CLEAR = 'rgba(255, 255, 255, 0)';

/** What a shade of its palettes is in ours: faint, a border, hovered, pressed. */
const SHADES = { 1: '--paper', 2: '--paper-2', 3: '--rule-2', 4: '--rule-2', 5: '--ink-2', 7: '--ink' };

/** Coloured tags and hints that nothing here uses. */
const COLOURED =
  /[^{}]*-(?:pink|magenta|red|volcano|orange|yellow|gold|cyan|lime|green|blue|geekblue|purple)[^{}]*\{[^{}]*\}/g;
/** What is read from right to left, and looks of buttons that nothing here has. */
const UNUSED =
  /-rtl|-dangerous|-background-ghost|-btn-(?:ghost|dashed|danger|link|group|round|circle|lg|compact|two-chinese)|ant-badge|ant-click-animating/;
/** Ways of coming and going that none of its parts here has: they slide up or down, fade, or grow in place. */
const UNUSED_MOTION = /ant-(?:move-|slide-(?:left|right)|zoom-(?:big|up|down|left|right))/;
const UNUSED_KEYFRAMES =
  /@keyframes (?:waveEffect|fadeEffect|ant(?:Move|Slide(?:Left|Right)|Zoom(?:Big|Up|Down|Left|Right))\w*)\s*\{(?:[^{}]*\{[^{}]*\})*[^{}]*\}/g;
const RULE = /([^{}]*)\{[^{}]*\}/g;
const COLOUR = /#[0-9a-f]{3,8}\b(?![^{}]*\{)|(?:rgb|hsl)a?\([^)]*\)/gi;

const FIRST_LITERAL = 0x0a1300;
const STEP = 257;

/** A literal for each variable, far from each other and from any colour somebody would choose. */
const MARKS = Object.entries(COLOURS).map(([name, property], index) => {
  const number = FIRST_LITERAL + index * STEP;
  const channels = [16, 8, 0].map((shift) => (number >> shift) & 0xff);
  return { name, property, channels, literal: `#${number.toString(16).padStart(6, '0')}` };
});

const VARIABLES = {
  ...MEASURES,
  ...Object.fromEntries(MARKS.map(({ name, literal }) => [name, literal])),
};

/**
 * Compiles styles of the component library in our colours, for day and night in one.
 *
 * @param components Their folders in the library.
 * @param also What they stand on besides.
 * @throws Fault where a colour of the library's own is left.
 */
export async function libraryStyles(components, also = []) {
  const parts = components.flatMap((component) =>
    ['index', 'patch']
      .map((file) => `ng-zorro-antd/${component}/style/${file}.less`)
      .filter((path) => existsSync(join(root, 'node_modules', path))),
  );
  const css = await compiled(
    [...also.map((name) => BASE[name]), ...parts].map((path) => `@import '${path}';`).join('\n'),
  );
  const used = css
    .replace(COLOURED, '')
    .replace(UNUSED_KEYFRAMES, '')
    .replace(RULE, (rule, selectors) => withoutUnused(rule, selectors));
  const ours = inOurColours(used, await shades());
  const left = new Set(ours.match(COLOUR));
  if (left.size > 0)
    throw new Fault(
      `Colours of the component library are left: ${[...left].join(', ')}. Name them in ${HERE}.`,
    );
  return ours;
}

/** A rule for what is used of its selectors; nothing where none of them is. */
function withoutUnused(rule, selectors) {
  const used = selectors
    .split(',')
    .filter((selector) => !UNUSED.test(selector) && !UNUSED_MOTION.test(selector));
  return used.length === 0 ? '' : used.join(',') + rule.slice(selectors.length);
}

const HERE = 'scripts/set-up/library-theme.mjs';
const BASE = {
  motion: 'ng-zorro-antd/style/core/motion.less',
  icons: 'ng-zorro-antd/style/core/iconfont.less',
};

async function compiled(body) {
  const theme = ['themes/index', 'mixins/index'].map((path) => `@import 'ng-zorro-antd/style/${path}.less';`);
  const { css } = await less.render(['@root-entry-name: default;', ...theme, body].join('\n'), {
    javascriptEnabled: true,
    paths: [join(root, 'node_modules')],
    modifyVars: VARIABLES,
    math: 'always',
  });
  return css;
}

/** What the library's functions make of our literals, each with what it stands for. */
async function shades() {
  const asked = MARKS.flatMap(({ literal, property }) => [
    ...Object.entries(SHADES).map(([shade, own]) => [`color(colorPalette('${literal}', ${shade}))`, own]),
    ...[5, 10].map((percent) => [`darken(${literal}, ${percent}%)`, property]),
  ]);
  const css = await compiled(asked.map(([function_]) => `.shade { color: ${function_}; }`).join('\n'));
  const found = [...css.matchAll(/color: (#[0-9a-f]+)/g)].map(([, colour]) => colour);
  return new Map(asked.map(([, property], index) => [found[index], property]));
}

function inOurColours(css, shadeOf) {
  const direct = new Map([
    ...Object.entries(NAMED),
    ...shadeOf,
    ...MARKS.map(({ literal, property }) => [literal, property]),
  ]);
  return css.replaceAll(COLOUR, (colour) => {
    if (colour === CLEAR) return 'transparent';
    const property = direct.get(colour);
    return property ? `var(${property})` : (faded(colour) ?? colour);
  });
}

/** One of our literals made transparent by a function of the library. */
function faded(colour) {
  const [, channels, share] = /^rgba\((\d+, \d+, \d+), ([\d.]+)\)$/.exec(colour) ?? [];
  const mark = MARKS.find((each) => each.channels.join(', ') === channels);
  return mark && `color-mix(in srgb, var(${mark.property}) ${Number(share) * 100}%, transparent)`;
}
