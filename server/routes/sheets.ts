import { statSync } from 'node:fs';
import { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { cleanFileName } from '../../core/export/index.ts';
import { sheetLayout } from '../../core/sheet/index.ts';
import { hrefOf } from '../exports/exportWork.ts';
import { implement } from '../http/implement.ts';
import { Problem } from '../problem.ts';
import { makeSheet, type SheetItem } from '../sheets/makeSheet.ts';
import { readSwatch } from '../store/swatches.ts';
import { exportFile, type Studio } from '../studio.ts';

/** Longest PNG of a sheet, mm: some 24,000 pixels. */
const LONGEST_PNG = 3000;

/** Sheets of swatches. */
export function sheetRoutes(studio: Studio): Router {
  const router = Router();

  implement(router, contract.startSheet, async ({ body: { swatches, scales, paper, columns, format } }) => {
    const count = swatches.length * scales.length;
    const [page] = sheetLayout(count, paper, columns, format === 'png');
    if (count > contract.MOST_ON_SHEETS || (page && page.height > LONGEST_PNG))
      throw new Problem(
        422,
        'Too many swatches',
        `${count} pictures are too many for one ${format === 'png' ? 'PNG' : 'file'}. Nothing was made; choose fewer swatches or scales, more columns, or a PDF.`,
      );
    const items: SheetItem[] = [];
    for (const id of swatches) {
      const read = await readSwatch(studio.database, id);
      for (const scale of scales) items.push({ ...read, scale });
    }
    const [first] = items;
    const title = swatches.length === 1 && first ? first.swatch.name : `${swatches.length} swatches`;
    return studio.jobs.start('sheet', async (context, id) => {
      const file = exportFile(studio, id);
      const pages = await makeSheet(studio, { title, items, paper, columns, format }, file, context);
      const fileName = `${cleanFileName(title, 'Swatches')} sheet.${format}`;
      return { href: hrefOf(id), fileName, bytes: statSync(file).size, pages } satisfies contract.ResultOf<
        typeof contract.startSheet
      >;
    });
  });

  return router;
}
