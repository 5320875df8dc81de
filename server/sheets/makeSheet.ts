import { mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { SwatchSummary } from '../../contract/index.ts';
import type { SwatchVersion } from '../../core/document/index.ts';
import type { ExportOrder } from '../../core/export/index.ts';
import { NO_BLEED } from '../../core/export/index.ts';
import { type PaperName, sheetLayout, type SheetPlace } from '../../core/sheet/index.ts';
import { repeatText } from '../../core/lattice/index.ts';
import { exportTask } from '../paint/exportTask.ts';
import { paintFile } from '../paint/paintFile.ts';
import { partOf } from '../paint/unfinished.ts';
import type { JobContext } from '../store/jobs.ts';
import type { Studio } from '../studio.ts';
import { pdfSheet } from './pdfSheet.ts';
import { pngSheet } from './pngSheet.ts';
import type { SheetSurface } from './sheetSurface.ts';

const DPI = 200;

/** One swatch on the sheet, at a scale. */
export interface SheetItem {
  readonly swatch: SwatchSummary;
  readonly version: SwatchVersion;
  /** 1 is true size. */
  readonly scale: number;
}

export interface SheetWish {
  readonly title: string;
  readonly items: readonly SheetItem[];
  readonly paper: PaperName;
  readonly columns: number;
  readonly format: 'pdf' | 'png';
}

/** Draws swatches on sheets of paper, each with its name, its size and step, and its colours. @returns how many pages there are */
export async function makeSheet(studio: Studio, wish: SheetWish, file: string, context: JobContext): Promise<number> {
  const { items, paper, columns, format, title } = wish;
  const folder = `${file}.files`;
  try {
    mkdirSync(folder, { recursive: true });
    const pages = sheetLayout(items.length, paper, columns, format === 'png');
    const surface = format === 'pdf' ? await pdfSheet(title) : pngSheet(DPI);
    for (const page of pages) {
      surface.page(page.width, page.height);
      for (const place of page.places) {
        const item = items[place.index] as SheetItem;
        const share = (part: number): void => context.progress((place.index + part) / items.length);
        const png = await paintCloth(studio, item, place, join(folder, 'cloth.png'), { ...context, progress: share });
        await surface.picture(png, place.cloth);
        writeCaption(surface, item, place);
      }
    }
    // Written beside and renamed, so that nobody ever downloads half a file.
    writeFileSync(partOf(file), await surface.finish());
    renameSync(partOf(file), file);
    return pages.length;
  } finally {
    rmSync(folder, { recursive: true, force: true });
    rmSync(partOf(file), { force: true });
  }
}

async function paintCloth(
  studio: Studio,
  { version, scale, swatch }: SheetItem,
  { cloth }: SheetPlace,
  file: string,
  context: JobContext,
): Promise<Buffer> {
  const [width, height] = [cloth.right - cloth.left, cloth.bottom - cloth.top];
  const order: ExportOrder = {
    format: 'png',
    extent: { kind: 'length', width: width / scale, height: height / scale },
    size: { kind: 'print', width, dpi: DPI },
    bleed: NO_BLEED,
    marks: false,
    backdrop: '#ffffff',
  };
  const { design, motifs } = version;
  await paintFile(
    studio.pool,
    exportTask({ design, motifs, order, title: swatch.name, blobs: studio.blobs.folder, file }),
    context,
  );
  return readFileSync(file);
}

function writeCaption(surface: SheetSurface, { swatch, scale }: SheetItem, { caption }: SheetPlace): void {
  const { left, top, right } = caption;
  const most = right - left;
  const { name, repeat, colours } = swatch;
  const at = scale === 1 ? 'true size' : `shown at ${Math.round(100 * scale)} %`;
  surface.words(name, left, top + 4.6, { size: 3.4, bold: true, most });
  surface.words(`${repeatText(repeat, 'mm')}, ${at}`, left, top + 8.6, { size: 2.6, bold: false, most });
  const radius = 1.1;
  const pitch = 2 * radius + 0.8;
  for (const [n, colour] of colours.slice(0, Math.floor(most / pitch)).entries())
    surface.dot(colour, left + radius + n * pitch, top + 12, radius);
}
