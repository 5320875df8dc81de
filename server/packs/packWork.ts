import type { JsonBodyOf, startPack } from '../../contract/index.ts';
import { cleanFileName } from '../../core/export/index.ts';
import type { FileWork } from '../exports/fileWork.ts';
import { readSwatch } from '../store/swatches.ts';
import { writePack } from './writePack.ts';

interface PlannedPack {
  readonly wish: JsonBodyOf<typeof startPack>;
  readonly fileName: string;
}

/** Swatches and designs with all that they are made of, as one file. */
export const packWork: FileWork<typeof startPack, PlannedPack> = {
  kind: 'pack',
  async plan(studio, wish) {
    const names: string[] = [];
    for (const id of wish.swatches) names.push((await readSwatch(studio.database, id)).swatch.name);
    for (const id of wish.designs) names.push((await studio.designs.read(id)).design.name);
    const name = names.length === 1 ? (names[0] ?? '') : `${names.length} swatches`;
    return { wish, fileName: `${cleanFileName(name, 'Swatches')} pack.zip` };
  },
  async make(studio, { wish, fileName }, file, context) {
    await writePack(studio, wish, file, context);
    return { fileName };
  },
};
