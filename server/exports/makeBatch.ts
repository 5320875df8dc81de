import { createWriteStream, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import type { MadeFile } from '../../contract/index.ts';
import { distinctNames } from '../../core/export/index.ts';
import { partOf } from '../paint/unfinished.ts';
import type { JobContext } from '../store/jobs.ts';
import type { Studio } from '../studio.ts';
import { makeFile, type PlannedFile } from './makeFile.ts';

/**
 * Makes several files and puts them into one ZIP, stored as they are, since each is packed already.
 *
 * @param file where the ZIP goes; what lies beside it meanwhile is removed
 */
export async function makeBatch(
  studio: Studio,
  planned: readonly PlannedFile[],
  file: string,
  context: JobContext,
): Promise<MadeFile[]> {
  const folder = `${file}.files`;
  try {
    mkdirSync(folder, { recursive: true });
    const names = distinctNames(planned.map(({ fileName }) => fileName));
    const made: MadeFile[] = [];
    const zip = new ZipFile();
    for (const [n, plan] of planned.entries()) {
      const path = join(folder, String(n));
      const step: JobContext = {
        signal: context.signal,
        progress: (share) => context.progress((n + share) / planned.length),
      };
      const { peakMemory: _, ...one } = await makeFile(studio, { ...plan, fileName: names[n] as string }, path, step);
      made.push(one);
      zip.addFile(path, one.fileName, { compress: false });
    }
    zip.end();
    await pipeline(zip.outputStream, createWriteStream(partOf(file)), { signal: context.signal });
    // Written beside and renamed, so that nobody ever downloads half a file.
    renameSync(partOf(file), file);
    return made;
  } finally {
    rmSync(folder, { recursive: true, force: true });
    rmSync(partOf(file), { force: true });
  }
}

/** Bytes of a batch on the disk: its files, and the ZIP of them. */
export function batchBytes(planned: readonly PlannedFile[]): number {
  return 2 * planned.reduce((sum, { bytes }) => sum + bytes, 0);
}
