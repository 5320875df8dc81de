import type { Hex } from '../colour/hex.ts';
import type { Box } from '../geometry/box.ts';
import type { Point } from '../geometry/point.ts';

/** Lifts: what becomes black, what becomes white, and what lies half way between them, each 0 to 255. */
export interface Levels {
  readonly black: number;
  readonly middle: number;
  readonly white: number;
}

/** Taking the paper away. */
export interface PaperRemoval {
  /** Wherever the paper's colour is, or only where it is reached from outside. */
  readonly reach: 'everywhere' | 'outside';
  /** The paper's colour, or null to find it. */
  readonly colour: Hex | null;
  /** How far a channel may lie from the paper's, 0 to 255. */
  readonly tolerance: number;
  /** Width of the edge in which the drawing thins out, mm. */
  readonly soft: number;
}

/** A line between two points, mm of the cleaned sheet. */
export type CutLine = readonly [Point, Point];

/** Cutting a sheet into its drawings. */
export interface Cutting {
  /** Parts closer than this stay together, mm. */
  readonly gap: number;
  /** Drawings that are one by hand, each by a point in it. */
  readonly joins: readonly (readonly Point[])[];
  /** Lines along which what lies under them is parted by hand. */
  readonly splits: readonly CutLine[];
  /** Drawings that are left out by hand, each by a point in it. */
  readonly without: readonly Point[];
}

/** Turning the pixels into vectors. */
export interface Tracing {
  /** 1 to 8. */
  readonly inks: number;
  /** 0 to 1: how far curves may leave the pixels' edges. */
  readonly smoothness: number;
  /** 0 to 1: how small a shape is kept. */
  readonly detail: number;
}

/** What is done to a scan, in this order. Lengths are mm of the scan. */
export interface CleanSteps {
  /** Quarter turns clockwise. */
  readonly quarters: 0 | 1 | 2 | 3;
  /** Degrees clockwise by which it is straightened. */
  readonly straighten: number;
  /** Kept part, mm of the straightened sheet, or null for all. */
  readonly crop: Box | null;
  /** Takes out how unevenly the paper is lit. */
  readonly evenLight: boolean;
  readonly levels: Levels | null;
  readonly paper: PaperRemoval | null;
  /** Anything of less area is dirt, mm². */
  readonly specks: number;
  readonly trim: boolean;
  readonly cut: Cutting | null;
  readonly trace: Tracing | null;
}

/** How a motif is made from a scan or a photograph. */
export interface ScanRecipe {
  readonly kind: 'scan';
  /** Content address of the picture as it came. */
  readonly picture: string;
  readonly dpi: number;
  readonly steps: CleanSteps;
  /** The drawing on a cut sheet that this motif is, by a point in it, mm of the cleaned sheet; null for the whole. */
  readonly drawing: Point | null;
}

/** A scan as it is when nothing is done to it. */
export const NO_STEPS: CleanSteps = {
  quarters: 0,
  straighten: 0,
  crop: null,
  evenLight: false,
  levels: null,
  paper: null,
  specks: 0,
  trim: false,
  cut: null,
  trace: null,
};
