import type { Hex } from '../colour/hex.ts';
import type { FigureKind } from '../shapes/figures.ts';

/** How a piece meets those before it: laid over them, or one outline with them. */
export type CombineMode = 'lay' | 'join' | 'cut' | 'overlap' | 'exclude';
export const COMBINE_MODES: readonly CombineMode[] = ['lay', 'join', 'cut', 'overlap', 'exclude'];

/** A colour that may thin out along a line across the piece. */
export interface Fill {
  readonly ink: Hex;
  /** None, or from full ink at one end of the piece to `rest` (0 to 1) at the other, towards `angle` degrees, clockwise from right. */
  readonly fade: { readonly angle: number; readonly rest: number } | null;
}

export interface Outline {
  readonly ink: Hex;
  /** mm. */
  readonly width: number;
}

/** One figure of a built motif, by its measures. */
export interface Piece {
  readonly figure: FigureKind;
  /** The figure's measures by key; those not named are as usual. */
  readonly values: Readonly<Record<string, number>>;
  /** What lettering says, and the font it is set in. */
  readonly text: string;
  readonly font: string;
  /** The figure's middle, mm, and its turn, degrees clockwise. */
  readonly x: number;
  readonly y: number;
  readonly rotation: number;
  readonly combine: CombineMode;
  /** Those of the piece that an outline begins with count. */
  readonly fill: Fill | null;
  readonly outline: Outline | null;
}

/** How a built motif is made: its pieces, bottom to top. */
export interface ShapeRecipe {
  readonly kind: 'shape';
  readonly pieces: readonly Piece[];
}

export const MOST_PIECES = 24;
export const LONGEST_TEXT = 40;
