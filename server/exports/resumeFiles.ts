import { packWork } from '../packs/packWork.ts';
import { plateWork } from '../plates/plateWork.ts';
import { sheetWork } from '../sheets/sheetWork.ts';
import { tryOnWork } from '../tryon/tryOnWork.ts';
import type { Studio } from '../studio.ts';
import { batchWork, exportWork } from './exportWork.ts';
import { resumeFile } from './fileWork.ts';

/** Kinds of jobs whose outcome is a file that is fetched. */
export const FILE_KINDS: ReadonlySet<string> = new Set(
  [exportWork, batchWork, packWork, sheetWork, plateWork, tryOnWork].map(({ kind }) => kind),
);

/** Starts again the files that the server left in the middle. */
export async function resumeFiles(studio: Studio): Promise<void> {
  await resumeFile(studio, exportWork);
  await resumeFile(studio, batchWork);
  await resumeFile(studio, packWork);
  await resumeFile(studio, sheetWork);
  await resumeFile(studio, plateWork);
  await resumeFile(studio, tryOnWork);
}
