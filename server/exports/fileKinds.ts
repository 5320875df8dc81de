import { packWork } from '../packs/packWork.ts';
import { plateWork } from '../plates/plateWork.ts';
import { sheetWork } from '../sheets/sheetWork.ts';
import { tryOnWork } from '../tryon/tryOnWork.ts';
import type { Studio } from '../studio.ts';
import { batchWork, exportWork } from './exportWork.ts';
import { registerFile } from './fileWork.ts';

/** Kinds of jobs whose outcome is a file that is fetched. */
export const FILE_KINDS: ReadonlySet<string> = new Set(
  [exportWork, batchWork, packWork, sheetWork, plateWork, tryOnWork].map(({ kind }) => kind),
);

/** Says how each of them is begun. */
export function registerFiles(studio: Studio): void {
  registerFile(studio, exportWork);
  registerFile(studio, batchWork);
  registerFile(studio, packWork);
  registerFile(studio, sheetWork);
  registerFile(studio, plateWork);
  registerFile(studio, tryOnWork);
}
