import type { Design } from '../../core/document/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { pixelGrid } from '../../core/lattice/index.ts';
import { depthRefusal, exportPlan, type ExportSize } from '../../core/paint/index.ts';
import { Problem } from '../problem.ts';
import type { PaintTask } from '../work/tasks.ts';

/** The painting task for a wished size. @throws Problem where that would be more than can be painted */
export function exportTask(
  design: Design,
  motifs: readonly Motif[],
  size: ExportSize,
  blobs: string,
  file: string,
): PaintTask {
  const plan = exportPlan(design.repeat, size);
  if (plan.refusal)
    throw new Problem(
      422,
      'Too large to paint',
      `${plan.refusal} Nothing was made; choose a lower density or a smaller width.`,
    );
  const tooDeep = depthRefusal(design, motifs);
  if (tooDeep) throw new Problem(422, 'Too much to paint', `${tooDeep} Nothing was made.`);
  return { kind: 'paint', design, motifs, blobs, scale: plan.scale, density: plan.density, file };
}

/** Pixels of the file that a task paints. */
export function exportPixels({ design, scale }: Pick<PaintTask, 'design' | 'scale'>): number {
  const { width, height } = pixelGrid(design.repeat, scale).tile;
  return width * height;
}
