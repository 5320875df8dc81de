import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { distinctNames } from '../../core/export/index.ts';
import type { JobContext } from '../store/jobs.ts';
import { removeTree } from '../store/trees.ts';
import { writeZip } from './writeZip.ts';

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
    const names = distinctNames(fileNames);
    const pathOf = (n: number): string => join(folder, String(n));
    for (const [n, fileName] of names.entries()) {
      const step: JobContext = {
        signal: context.signal,
        progress: (share) => context.progress((n + share) / fileNames.length),
      };
      made.push(await make(n, fileName, pathOf(n), step));
    }
    // Once all are there: a ZIP that was begun would go on to read what is removed where one of them fails.
    await writeZip(file, context.signal, (zip) => {
      for (const [n, fileName] of names.entries()) zip.addFile(pathOf(n), fileName, { compress: false });
      return Promise.resolve();
    });
    return made;
  } finally {
    await removeTree(folder);
  }
}
