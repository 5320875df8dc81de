import { MOST_BATCHED_FILES, type startBatch, type startExport } from '../../contract/index.ts';
import { cleanFileName, DEFAULT_TEMPLATE } from '../../core/export/index.ts';
import { Problem } from '../problem.ts';
import { type ExportSource, readSource } from './exportSource.ts';
import type { FileWork } from './fileWork.ts';
import { batchBytes, makeBatch } from './makeBatch.ts';
import { makeFile, planFile, type PlannedFile } from './makeFile.ts';

/** A design or swatch as a file. */
export const exportWork: FileWork<typeof startExport, PlannedFile> = {
  kind: 'export',
  async plan(studio, { order, template, ...source }) {
    const planned = planFile(studio, await readSource(studio, source), order, template ?? DEFAULT_TEMPLATE);
    await studio.space.require(planned.bytes);
    return planned;
  },
  make: makeFile,
};

/** The files of a batch, and the name of the ZIP that they go into. */
interface PlannedBatch {
  readonly planned: readonly PlannedFile[];
  readonly fileName: string;
}

/** Designs and swatches, each in several orders, as one ZIP. */
export const batchWork: FileWork<typeof startBatch, PlannedBatch> = {
  kind: 'batch',
  async plan(studio, { sources, orders, template }) {
    const count = sources.length * orders.length;
    if (count > MOST_BATCHED_FILES)
      throw new Problem(
        422,
        'Too many files',
        `That would be ${count} files; at most ${MOST_BATCHED_FILES} go into one ZIP. Nothing was made; choose fewer swatches or formats.`,
      );
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
  },
  async make(studio, { planned, fileName }, file, context) {
    return { fileName, files: await makeBatch(studio, planned, file, context) };
  },
};
