import type { PlacementChanges } from '../../core/arrange/index.ts';
import type { CheckContext, Findings, FineDetail } from '../../core/check/index.ts';
import type { InkEdges } from '../../core/colourway/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { FoundRegion } from '../../core/draw/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import type { TossRecipe } from '../../core/recipe/index.ts';
import type { InkShares, Separation, SeparationOrder } from '../../core/separate/index.ts';
import type { Hole, Scatter, TossedMotif, TossResult } from '../../core/toss/index.ts';
import type { DrawingInHand } from '../cloth/drawnLines.ts';

/** What the page asks the toss worker for; what the design holds stays, but for what is asked to be laid anew. */
export type TossTask =
  | {
      readonly kind: 'toss';
      readonly recipe: TossRecipe;
      /** What lay there before, to start from. */ readonly from: readonly TossedMotif[];
    }
  | { readonly kind: 'holes'; readonly least: number; readonly most: number }
  | { readonly kind: 'fill'; readonly recipe: TossRecipe; readonly holes: readonly Hole[] }
  /** Motifs along a line that was drawn, mm of the plane. */
  | { readonly kind: 'scatter'; readonly scatter: Scatter; readonly line: readonly Point[] }
  | { readonly kind: 'settle'; readonly chosen: readonly string[]; readonly turning: boolean }
  | ({ readonly kind: 'check' } & CheckContext)
  /** Whether the pattern runs on over the joins of its cells. */
  | { readonly kind: 'joins' }
  /** How much each ink covers, and along how much of it inks touch. */
  | { readonly kind: 'inks' }
  /** The tile taken apart into plates, in shades. */
  | { readonly kind: 'plates'; readonly order: SeparationOrder; readonly colourway: string | undefined }
  /** The area about a place of the plane that lines close off, those that are being drawn among them. */
  | { readonly kind: 'area'; readonly at: Point; readonly drawing: DrawingInHand }
  /** Lines that are too thin to be printed at a density. */
  | { readonly kind: 'fine'; readonly dpi: number };

export type TossOrder =
  | { readonly id: number; readonly design: Design; readonly motifs: readonly Motif[]; readonly task: TossTask }
  | { readonly stop: number };

/** Of the inks of a design, in their order. */
export interface MeasuredInks {
  readonly shares: InkShares;
  readonly edges: InkEdges;
  /** Of the pixels that edges are counted in. */
  readonly mmPerPixel: number;
}

/** The cell as it is painted against the same painted across its joins. */
export interface JoinCheck {
  readonly pixels: number;
  readonly broken: number;
}

/** What a task ends in. */
export interface TossResults {
  readonly toss: TossResult;
  readonly holes: readonly Hole[];
  readonly fill: readonly TossedMotif[];
  readonly scatter: readonly TossedMotif[];
  readonly settle: PlacementChanges;
  readonly check: Findings;
  readonly joins: JoinCheck;
  readonly inks: MeasuredInks;
  readonly plates: Separation;
  readonly fine: readonly FineDetail[];
  readonly area: FoundRegion;
}

export type TossAnswer =
  | { readonly id: number; readonly progress: TossResult }
  | { readonly id: number; readonly done: TossResults[keyof TossResults] }
  /** A sentence for the designer where `expected`, else what went wrong. */
  | { readonly id: number; readonly failed: string; readonly expected: boolean };
