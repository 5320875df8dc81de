import type { InkResolver } from '../../core/document/index.ts';
import { instancesIn } from '../../core/draw/index.ts';
import type { Matrix } from '../../core/geometry/index.ts';
import type { Lattice } from '../../core/lattice/index.ts';
import type { DrawnMotif } from '../../core/motif/index.ts';
import { type CanvasBackend, paintArtwork } from '../../core/paint/index.ts';
import type { VineRecipe } from '../../core/recipe/index.ts';
import { vineArtwork } from '../../core/vine/index.ts';
import { planeMatrix, type Viewport, windowMm } from './viewport.ts';

/** Where a vine is drawn, and with what. */
export interface VineSetting {
  readonly viewport: Viewport;
  readonly resolve: InkResolver;
  readonly lattice: Lattice;
  readonly frame: Matrix;
  /** Motifs whose artwork is at hand; leaves of others are seen once it is. */
  readonly drawn: ReadonlyMap<string, DrawnMotif>;
  readonly backend: CanvasBackend;
}

/** Draws a vine that is being made in all its instances, as it will be painted. */
export function drawVine(
  context: CanvasRenderingContext2D,
  vine: VineRecipe,
  { viewport, resolve, lattice, frame, drawn, backend }: VineSetting,
): void {
  const leaves = vine.leaves.filter(({ motif }) => drawn.has(motif));
  const { view, nodes } = vineArtwork({ ...vine, leaves }, drawn);
  const box = { left: view.x, top: view.y, right: view.x + view.width, bottom: view.y + view.height };
  const { width, height } = context.canvas;
  for (const matrix of instancesIn(lattice, frame, box, windowMm(viewport)))
    paintArtwork(context, nodes, planeMatrix(viewport, matrix), { backend, resolve, width, height });
}
