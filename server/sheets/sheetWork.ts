import { MOST_ON_SHEETS, type startSheet } from '../../contract/index.ts';
import { cleanFileName } from '../../core/export/index.ts';
import { sheetLayout } from '../../core/sheet/index.ts';
import type { FileWork } from '../exports/fileWork.ts';
import { Problem } from '../problem.ts';
import { readSwatch } from '../store/swatches.ts';
import { makeSheet, type SheetItem, type SheetWish } from './makeSheet.ts';

/** Longest PNG of a sheet, mm: some 24,000 pixels. */
const LONGEST_PNG = 3000;

/** Swatches on sheets of paper. */
export const sheetWork: FileWork<typeof startSheet, SheetWish> = {
  kind: 'sheet',
  async plan({ database }, { swatches, scales, paper, columns, format }) {
    const count = swatches.length * scales.length;
    const [page] = sheetLayout(count, paper, columns, format === 'png');
    if (count > MOST_ON_SHEETS || (page && page.height > LONGEST_PNG))
      throw new Problem(
        422,
        'Too many swatches',
        `${count} pictures are too many for one ${format === 'png' ? 'PNG' : 'file'}. Nothing was made; choose fewer swatches or scales, more columns, or a PDF.`,
      );
    const items: SheetItem[] = [];
    for (const id of swatches) {
      const read = await readSwatch(database, id);
      for (const scale of scales) items.push({ ...read, scale });
    }
    const [first] = items;
    const title = swatches.length === 1 && first ? first.swatch.name : `${swatches.length} swatches`;
    return { title, items, paper, columns, format };
  },
  async make(studio, wish, file, context) {
    const pages = await makeSheet(studio, wish, file, context);
    return { fileName: `${cleanFileName(wish.title, 'Swatches')} sheet.${wish.format}`, pages };
  },
};
