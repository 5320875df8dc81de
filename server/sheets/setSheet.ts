import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { SHEET_DPI, type SheetPlace } from '../../core/sheet/index.ts';
import { partOf } from '../paint/unfinished.ts';
import { pdfSheet } from './pdfSheet.ts';
import { pngSheet } from './pngSheet.ts';
import type { SheetSurface } from './sheetSurface.ts';
import type { SheetPicture, SheetTask } from './sheetTask.ts';

/** Sets painted swatches on sheets of paper. The file is there whole, or not at all. */
export async function setSheet({ title, format, pages, pictures, file }: SheetTask): Promise<true> {
  try {
    const surface = format === 'pdf' ? await pdfSheet(title) : pngSheet(SHEET_DPI);
    for (const page of pages) {
      surface.page(page.width, page.height);
      for (const place of page.places) {
        const picture = pictures[place.index] as SheetPicture;
        await surface.picture(readFileSync(picture.cloth), place.cloth);
        writeCaption(surface, picture, place);
      }
    }
    writeFileSync(partOf(file), await surface.finish());
    renameSync(partOf(file), file);
    return true;
  } finally {
    rmSync(partOf(file), { force: true });
  }
}

function writeCaption(surface: SheetSurface, { name, size, colours }: SheetPicture, { caption }: SheetPlace): void {
  const { left, top, right } = caption;
  const most = right - left;
  surface.words(name, left, top + 4.6, { size: 3.4, bold: true, most });
  surface.words(size, left, top + 8.6, { size: 2.6, bold: false, most });
  const radius = 1.1;
  const pitch = 2 * radius + 0.8;
  for (const [n, colour] of colours.slice(0, Math.floor(most / pitch)).entries())
    surface.dot(colour, left + radius + n * pitch, top + 12, radius);
}
