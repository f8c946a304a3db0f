import type { Point } from './drawing';

/** Rows and columns of the drawing, in its own pixels. */
export const CONVERTER_SIZE = { width: 96, height: 84 };
export const WIDTH = 860;
export const TOP = 34;
export const SOURCE_X = 20;
export const SOURCE_END_X = SOURCE_X + 34;
export const SOURCE_BREAKER_X = 118;
export const SOURCE_PITCH = 84;
export const INLET_BAR_X = 206;
export const CONVERTER_X = 316;
export const CONVERTER_PITCH = 150;
export const OUTPUT_BREAKER_X = 490;
export const PANEL_X = 566;
export const LEG_GAP = 12;
export const CIRCUIT_X = 646;
export const LINE = 17;
export const CIRCUIT_HEAD = 34;
export const BELOW_PANEL = 34;
export const DC_GAP = 56;
export const SIDE_GAP = 14;
export const MARGIN_X = 14;
/** Where DC goes up to its circuits. */
export const TAP_X = PANEL_X - 30;
export const BANK_PITCH = 214;
export const BANK_X = 60;
export const BANK_DROP = 54;
export const BANK_WORDS = 92;
export const NAME_GAP = 12;
export const NAMES_WIDTH = WIDTH - CIRCUIT_X;

export const point = (x: number, y: number): Point => ({ x, y });
