import { statSync } from 'node:fs';
import type { MadeFile } from '../../contract/index.ts';
import { type AnyOrder, formatOf, isVectorOrder, orderFileName, orderRefusal } from '../../core/export/index.ts';
import { exportPixels, exportTask } from '../paint/exportTask.ts';
import { removeUnfinished } from '../paint/unfinished.ts';
import { Problem } from '../problem.ts';
import type { JobContext } from '../store/jobs.ts';
import type { Studio } from '../studio.ts';
import type { PaintTask, VectorTask } from '../paint/paintTasks.ts';
import type { ExportSource } from './exportSource.ts';

/** Of a file that cannot be made smaller by its encoder; but for a PNG, what was painted lies beside it meanwhile. */
const BYTES_PER_PIXEL = { png: 4, tiff: 8, jpeg: 8, webp: 8 } as const;
/** Of shapes: each motif once, its pictures, and a line for each place. */
const BYTES_OF_SHAPES = 64 * 1024 * 1024;

/** A file that can be made. */
export interface PlannedFile {
  readonly task: PaintTask | VectorTask;
  readonly fileName: string;
  /** At the most, on the disk. */
  readonly bytes: number;
}

/** Plans a file, so that it is refused before anything is painted. @throws Problem 422 with a sentence */
export function planFile(
  studio: Studio,
  { name, design, motifs }: ExportSource,
  order: AnyOrder,
  template: string,
  number = 1,
): PlannedFile {
  const date = new Date().toISOString().slice(0, 10);
  const shared = { design, motifs, title: name, blobs: studio.blobs.folder, file: '' };
  const refusal = orderRefusal(design.repeat, order);
  if (refusal) throw new Problem(422, 'Too large', `${refusal} Nothing was made.`);
  const fileName = orderFileName(template, design.repeat, order, { name, date, number });
  if (isVectorOrder(order)) return { task: { kind: 'vector', ...shared, order }, fileName, bytes: BYTES_OF_SHAPES };
  const task = exportTask({ ...shared, order, prove: true });
  const deep = order.depth === 16 ? 2 : 1;
  return { task, fileName, bytes: deep * BYTES_PER_PIXEL[order.format] * exportPixels(task) };
}

/** Makes a planned file; where that fails or is stopped, nothing of it is left. */
export async function makeFile(
  { pool }: Studio,
  { task, fileName }: PlannedFile,
  file: string,
  context: JobContext,
): Promise<MadeFile & { readonly peakMemory: number }> {
  try {
    if (task.kind === 'vector') {
      const { width, height, proof = null } = await pool.run({ ...task, file }, context);
      return { fileName, width, height, unit: 'mm', bytes: statSync(file).size, palette: false, proof, peakMemory: 0 };
    }
    const { kind, proof = null, width, height, peakMemory } = await pool.run({ ...task, file }, context);
    const bytes = statSync(file).size;
    return { fileName, width, height, unit: 'px', bytes, palette: kind === 'palette', proof, peakMemory };
  } catch (error) {
    removeUnfinished(file);
    if (error instanceof Problem || context.signal.aborted) throw error;
    process.stderr.write(`Export: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}\n`);
    throw new Problem(
      500,
      'Not made',
      `The ${formatOf(task.order).name} “${fileName}” could not be made as it should be, so there is none. The design is as it was; try another format or size.`,
    );
  }
}
