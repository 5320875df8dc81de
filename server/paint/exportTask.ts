import type { Design } from '../../core/document/index.ts';
import { exportPlan, RASTER_FORMATS } from '../../core/export/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { depthRefusal } from '../../core/paint/index.ts';
import { Problem } from '../problem.ts';
import type { PaintTask } from './paintTasks.ts';

/** What is painted, for whom, and where to. */
interface Painting extends Pick<PaintTask, 'order' | 'blobs' | 'file'> {
  readonly design: Design;
  readonly motifs: readonly Motif[];
  readonly title?: string;
  readonly prove?: boolean;
}

/** The painting task for an order. @throws Problem where that cannot be painted */
export function exportTask({ design, motifs, title = design.name, prove = false, ...rest }: Painting): PaintTask {
  const { refusal } = exportPlan(design.repeat, rest.order);
  if (refusal) throw new Problem(422, 'Too large to paint', `${refusal} Nothing was made.`);
  const tooDeep = depthRefusal(design, motifs);
  if (tooDeep) throw new Problem(422, 'Too much to paint', `${tooDeep} Nothing was made.`);
  const { name, alpha } = RASTER_FORMATS[rest.order.format];
  if (!alpha && design.ground.kind === 'none' && rest.order.backdrop === undefined)
    throw new Problem(
      422,
      'No colour behind it',
      `A ${name} cannot be transparent, and this design has no ground. Nothing was made; choose a colour behind it or another format.`,
    );
  return { kind: 'paint', design, motifs, title, prove, ...rest };
}

/** Pixels of the file that a task paints. */
export function exportPixels({ design, order }: Pick<PaintTask, 'design' | 'order'>): number {
  const { width, height } = exportPlan(design.repeat, order);
  return width * height;
}
