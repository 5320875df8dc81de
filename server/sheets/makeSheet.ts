import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import type { SwatchSummary } from '../../contract/index.ts';
import type { SwatchVersion } from '../../core/document/index.ts';
import type { ExportOrder } from '../../core/export/index.ts';
import { NO_BLEED } from '../../core/export/index.ts';
import { SHEET_DPI, sheetLayout, type SheetPlace } from '../../core/sheet/index.ts';
import type { PaperName } from '../../core/units/index.ts';
import { repeatText } from '../../core/lattice/index.ts';
import { exportTask } from '../paint/exportTask.ts';
import { paintFile } from '../paint/paintFile.ts';
import type { JobContext } from '../store/jobs.ts';
import { removeTree } from '../store/trees.ts';
import type { Studio } from '../studio.ts';
import type { SheetPicture } from './sheetTask.ts';

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

/** Paints swatches and sets them on sheets of paper, each with its name, its size and step, and its colours. @returns how many pages there are */
export async function makeSheet(studio: Studio, wish: SheetWish, file: string, context: JobContext): Promise<number> {
  const { items, paper, columns, format, title } = wish;
  const folder = `${file}.files`;
  try {
    mkdirSync(folder, { recursive: true });
    const pages = sheetLayout(items.length, paper, columns, format === 'png');
    const pictures: SheetPicture[] = [];
    for (const place of pages.flatMap(({ places }) => places)) {
      const item = items[place.index] as SheetItem;
      const share = (part: number): void => context.progress((place.index + part) / items.length);
      const cloth = join(folder, `${place.index}.png`);
      await paintCloth(studio, item, place, cloth, { ...context, progress: share });
      pictures[place.index] = { cloth, ...captionOf(item) };
    }
    await studio.pool.run(
      { kind: 'sheet', title, format, pages, pictures, file },
      { ...context, progress: () => undefined },
    );
    return pages.length;
  } finally {
    await removeTree(folder);
  }
}

async function paintCloth(
  studio: Studio,
  { version, scale, swatch }: SheetItem,
  { cloth }: SheetPlace,
  file: string,
  context: JobContext,
): Promise<void> {
  const [width, height] = [cloth.right - cloth.left, cloth.bottom - cloth.top];
  const order: ExportOrder = {
    format: 'png',
    extent: { kind: 'length', width: width / scale, height: height / scale },
    size: { kind: 'print', width, dpi: SHEET_DPI },
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
}

function captionOf({ swatch: { name, repeat, colours }, scale }: SheetItem): Omit<SheetPicture, 'cloth'> {
  const at = scale === 1 ? 'true size' : `shown at ${Math.round(100 * scale)} %`;
  return { name, size: `${repeatText(repeat, 'mm')}, ${at}`, colours };
}
