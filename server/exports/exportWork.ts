import { statSync } from 'node:fs';
import {
  pathOf,
  readExport,
  type JsonBodyOf,
  type ResultOf,
  type startBatch,
  type startExport,
} from '../../contract/index.ts';
import { cleanFileName, DEFAULT_TEMPLATE } from '../../core/export/index.ts';
import type { Work } from '../store/jobs.ts';
import { exportFile, type Studio } from '../studio.ts';
import { type ExportSource, readSource } from './exportSource.ts';
import { batchBytes, makeBatch } from './makeBatch.ts';
import { makeFile, planFile, type PlannedFile } from './makeFile.ts';

type ExportWish = JsonBodyOf<typeof startExport>;
type BatchWish = JsonBodyOf<typeof startBatch>;

/** Where the file of a job is fetched from. */
export const hrefOf = (id: string): string => pathOf(readExport, { id });

/** Plans the file of a wish. @throws Problem where it cannot be made */
export async function planExport(studio: Studio, { order, template, ...source }: ExportWish): Promise<PlannedFile> {
  const planned = planFile(studio, await readSource(studio, source), order, template ?? DEFAULT_TEMPLATE);
  await studio.space.require(planned.bytes);
  return planned;
}

/** Makes the file of a wish. */
export function exportWork(studio: Studio, planned: () => Promise<PlannedFile>): Work {
  return async (context, id) =>
    ({
      href: hrefOf(id),
      ...(await makeFile(studio, await planned(), exportFile(studio, id), context)),
    }) satisfies ResultOf<typeof startExport>;
}

/** The files of a batch, and the name of the ZIP that they go into. */
export interface PlannedBatch {
  readonly planned: readonly PlannedFile[];
  readonly fileName: string;
}

/** Plans the files of a batch: each source in each of the orders. @throws Problem where one cannot be made */
export async function planBatch(studio: Studio, { sources, orders, template }: BatchWish): Promise<PlannedBatch> {
  const read: ExportSource[] = [];
  for (const wish of sources) read.push(await readSource(studio, wish));
  const pairs = read.flatMap((source) => orders.map((order) => ({ source, order })));
  const planned = pairs.map(({ source, order }, n) =>
    planFile(studio, source, order, template ?? DEFAULT_TEMPLATE, n + 1),
  );
  await studio.space.require(batchBytes(planned));
  const [first] = read;
  const name = read.length === 1 && first ? first.name : `${read.length} swatches`;
  return { planned, fileName: `${cleanFileName(name, 'Swatches')}.zip` };
}

/** Makes the files of a batch. */
export function batchWork(studio: Studio, plan: () => Promise<PlannedBatch>): Work {
  return async (context, id) => {
    const { planned, fileName } = await plan();
    const file = exportFile(studio, id);
    const files = await makeBatch(studio, planned, file, context);
    return { href: hrefOf(id), fileName, bytes: statSync(file).size, files } satisfies ResultOf<typeof startBatch>;
  };
}

/** Starts again the exports that the server left in the middle. */
export async function resumeExports(studio: Studio): Promise<void> {
  // What was asked for was checked when it came.
  await studio.jobs.resume('export', (wish) => exportWork(studio, () => planExport(studio, wish as ExportWish)));
  await studio.jobs.resume('batch', (wish) => batchWork(studio, () => planBatch(studio, wish as BatchWish)));
}
