import type { Box } from '../geometry/index.ts';
import { type PaperName, PAPERS } from '../units/index.ts';

export const MOST_SHEET_COLUMNS = 6;

/** What the cloth on a sheet is painted at, and a sheet that is one picture. */
export const SHEET_DPI = 200;

const MARGIN = 12;
const GAP = 6;
/** Room for what is written below a swatch: its name, its size and step, its inks. */
const CAPTION = 14;

/** Where one swatch goes. */
export interface SheetPlace {
  /** Which of the things that were to be placed. */
  readonly index: number;
  /** The cloth, mm from the page's upper left corner. */
  readonly cloth: Box;
  /** What is written below it. */
  readonly caption: Box;
}

export interface SheetPage {
  readonly width: number;
  readonly height: number;
  readonly places: readonly SheetPlace[];
}

/**
 * Sets so many swatches on pages, row by row; each row is whole.
 *
 * @param columns 1 to MOST_SHEET_COLUMNS
 * @param endless whether there is one page, as long as need be
 */
export function sheetLayout(count: number, paper: PaperName, columns: number, endless = false): SheetPage[] {
  const { width, height } = PAPERS[paper];
  const side = (width - 2 * MARGIN - (columns - 1) * GAP) / columns;
  const pitch = side + CAPTION + GAP;
  const rows = Math.ceil(count / columns);
  // One column of an upright page is nearly as high as the page: there is always room for a row.
  const perPage = endless ? Math.max(1, rows) : Math.max(1, Math.floor((height - 2 * MARGIN + GAP) / pitch));
  const pages: SheetPage[] = [];
  for (let first = 0; first < Math.max(1, rows); first += perPage) {
    const places: SheetPlace[] = [];
    for (let index = first * columns; index < Math.min(count, (first + perPage) * columns); index += 1) {
      const left = MARGIN + (index % columns) * (side + GAP);
      const top = MARGIN + (Math.floor(index / columns) - first) * pitch;
      const [right, bottom] = [left + side, top + side];
      places.push({
        index,
        cloth: { left, top, right, bottom },
        caption: { left, top: bottom, right, bottom: bottom + CAPTION },
      });
    }
    pages.push({ width, height: endless ? 2 * MARGIN + perPage * pitch - GAP : height, places });
  }
  return pages;
}
