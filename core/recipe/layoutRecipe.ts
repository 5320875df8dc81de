/** What the motifs of a row have in common, each of their own extent; of an area, the side of the square that is as large. */
export type Equal = 'width' | 'height' | 'area';

/** Motifs set in rows: the cell is exactly as wide as the widest row and one gap, and as high as all rows and their gaps. */
export interface RowRecipe {
  readonly kind: 'row';
  /** Motifs in their order, row by row from the top; further rows than these are the step's. */
  readonly rows: readonly (readonly string[])[];
  readonly equal: Equal;
  /** mm. */
  readonly size: number;
  /** mm between neighbours; in rows narrower than the widest it is wider, so that each fills the cell. */
  readonly gap: number;
  /** mm between rows. */
  readonly rowGap: number;
}

export const GRID_FIGURES = ['dots', 'stripes', 'checks', 'ogees'] as const;
export type GridFigure = (typeof GRID_FIGURES)[number];

/** A figure laid evenly all over, in straight lines that close on the lattice. */
export interface GridRecipe {
  readonly kind: 'grid';
  readonly figure: GridFigure;
  readonly motif: string;
  /** Whether the motif is drawn out to fill its place exactly, as dots, blocks and ogees made of an ink are; else it keeps its proportions. */
  readonly fitted: boolean;
  /** How many to the cell; of stripes, how many beside each other until they come round again. */
  readonly count: number;
  /** Degrees clockwise, as wished: the nearest that closes is taken. */
  readonly angle: number;
  /** Share of the size at which they would touch. */
  readonly size: number;
}

export type LayoutRecipe = RowRecipe | GridRecipe;

export const MOST_ROWS = 12;
export const MOST_IN_ROW = 24;
export const MOST_IN_GRID = 600;
export const MOST_GRID_SIZE = 3;
