/** An axis; without ends it takes what is drawn. */
export interface PlotAxis {
  readonly label: string;
  readonly isLog?: boolean;
  readonly from?: number;
  readonly to?: number;
  /** The values that are named; else round ones. */
  readonly ticks?: readonly number[];
  readonly tickWords?: (value: number) => string;
}

export interface PlotPoint {
  readonly x: number;
  readonly y: number;
}

/**
 * How a line is drawn: what is, a start, a doubt, a ceiling, one that decides, the sun; a band fills to the line behind it; dots
 * without a line, solid or hollow.
 */
export type PlotLook =
  | 'area'
  | 'line'
  | 'light-line'
  | 'start'
  | 'whisker-up'
  | 'whisker-along'
  | 'ceiling'
  | 'holds'
  | 'trips'
  | 'here'
  | 'sun'
  | 'thrown-away'
  | 'band'
  | 'edge'
  | 'dots'
  | 'hollow-dots';

export interface PlotLine {
  readonly look: PlotLook;
  readonly points: readonly PlotPoint[];
}

/** Words beside a place of the plot. */
export interface PlotLabel extends PlotPoint {
  readonly words: string;
  /** On which side of the place they stand. */
  readonly side: 'right' | 'left' | 'middle';
  readonly isBelow?: boolean;
}

/** What a plot under a common ruler shows: its axes are drawn by whoever has it, and its figures stand there as a table. */
export type BarePlot = Omit<PlotDrawn, 'table'>;

/** What a plot shows, in words and figures alone: how that becomes a drawing is chart-of's. */
export interface PlotDrawn {
  /** The whole plot in a sentence. */
  readonly spoken: string;
  readonly height: number;
  readonly x: PlotAxis;
  readonly y: PlotAxis;
  readonly lines: readonly PlotLine[];
  readonly labels?: readonly PlotLabel[];
  readonly table: {
    readonly heads: readonly string[];
    readonly rows: readonly (readonly string[])[];
  };
}
