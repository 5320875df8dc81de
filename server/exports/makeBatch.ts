import type { MadeFile } from '../../contract/index.ts';
import type { JobContext } from '../store/jobs.ts';
import type { Studio } from '../studio.ts';
import { makeZip } from '../zip/makeZip.ts';
import { makeFile, type PlannedFile } from './makeFile.ts';

/** Makes several files and puts them into one ZIP. @param file where the ZIP goes */
export function makeBatch(
  studio: Studio,
  planned: readonly PlannedFile[],
  file: string,
  context: JobContext,
): Promise<MadeFile[]> {
  const make = async (n: number, fileName: string, path: string, step: JobContext): Promise<MadeFile> => {
    const plan = planned[n] as PlannedFile;
    const { peakMemory: _, ...made } = await makeFile(studio, { ...plan, fileName }, path, step);
    return made;
  };
  return makeZip(
    planned.map(({ fileName }) => fileName),
    make,
    file,
    context,
  );
}

/** Bytes of a batch on the disk: its files, and the ZIP of them. */
export function batchBytes(planned: readonly PlannedFile[]): number {
  return 2 * planned.reduce((sum, { bytes }) => sum + bytes, 0);
}
