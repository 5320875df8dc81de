import { createWriteStream, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { distinctNames } from '../../core/export/index.ts';
import { partOf } from '../paint/unfinished.ts';
import type { JobContext } from '../store/jobs.ts';

/**
 * Makes several files one after the other and puts them into one ZIP, stored as they are, since each is packed already.
 *
 * @param fileNames as wished; of equal ones each gets its own
 * @param make writes the nth file to a path, under a name
 * @param file where the ZIP goes; what lies beside it meanwhile is removed
 */
export async function makeZip<T>(
  fileNames: readonly string[],
  make: (n: number, fileName: string, path: string, context: JobContext) => Promise<T>,
  file: string,
  context: JobContext,
): Promise<T[]> {
  const folder = `${file}.files`;
  try {
    mkdirSync(folder, { recursive: true });
    const made: T[] = [];
    const zip = new ZipFile();
    for (const [n, fileName] of distinctNames(fileNames).entries()) {
      const path = join(folder, String(n));
      const step: JobContext = {
        signal: context.signal,
        progress: (share) => context.progress((n + share) / fileNames.length),
      };
      made.push(await make(n, fileName, path, step));
      zip.addFile(path, fileName, { compress: false });
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
