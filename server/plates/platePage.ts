import { Path2D } from '@napi-rs/canvas';
import { type Box, growBox } from '../../core/geometry/index.ts';
import { tracePath } from '../../core/motif/index.ts';
import { cutLines } from '../../core/export/index.ts';
import { outlineLine } from '../../core/shapes/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { nodeSurface } from '../paint/nodeBackend.ts';
import { cutToWidth } from '../sheets/sheetSurface.ts';
import { sheetFont } from '../sheets/sheetFonts.ts';

/** Around the tile, mm: room for marks and a line of words. */
const MARGIN = 14;
/** Registration marks: a cross in a ring, mm. */
const CROSS = { reach: 4, radius: 2, line: 0.2, fromTrim: 6 };
/** Above the marks, and between the cutting lines. */
const LETTERS = { size: 2.4, top: 3, left: MARGIN + 2 };
const GAP = 2;

/** A page of one plate as film has it: 0 where it prints, 255 where not. */
export interface PlatePage {
  readonly data: Uint8Array;
  readonly width: number;
  readonly height: number;
}

/**
 * Lays a plate on a page with registration marks at the middle of each side, cutting lines at the corners and a line of
 * words, all of them outside the trim and at the same places on every plate.
 *
 * @param plate how much of each pixel is printed, 0 to 255
 * @param words what the plate is
 */
export function platePage(plate: Uint8Array, width: number, height: number, dpi: number, words: string): PlatePage {
  const scale = dpi / MM_PER_INCH;
  const margin = Math.round(MARGIN * scale);
  const [wide, high] = [width + 2 * margin, height + 2 * margin];
  const data = new Uint8Array(wide * high).fill(255);
  for (let y = 0; y < height; y++) {
    const to = (y + margin) * wide + margin;
    for (let x = 0; x < width; x++) data[to + x] = 255 - (plate[y * width + x] as number);
  }
  const page: PlatePage = { data, width: wide, height: high };
  const trim: Box = { left: margin, top: margin, right: margin + width, bottom: margin + height };
  const line = Math.max(1, Math.round(CROSS.line * scale));
  const painted = growBox(trim, Math.round(GAP * scale), Math.round(GAP * scale));
  const edges = { left: 0, top: 0, right: wide, bottom: high };
  for (const mark of cutLines({ trim, painted, page: edges }, 0, {
    before: Math.floor(line / 2),
    after: Math.ceil(line / 2),
  }))
    fill(page, mark);
  const away = CROSS.fromTrim * scale;
  for (const [x, y] of [
    [wide / 2, margin - away],
    [wide / 2, high - margin + away],
    [margin - away, high / 2],
    [wide - margin + away, high / 2],
  ] as const)
    cross(page, x, y, scale);
  writeWords(page, words, scale);
  return page;
}

function fill({ data, width, height }: PlatePage, { left, top, right, bottom }: Box): void {
  for (let y = Math.max(0, top); y < Math.min(height, bottom); y++)
    data.fill(0, y * width + Math.max(0, left), y * width + Math.min(width, right));
}

function cross({ data, width, height }: PlatePage, x: number, y: number, scale: number): void {
  const half = Math.max(0.5, (CROSS.line * scale) / 2);
  const reach = CROSS.reach * scale;
  for (let v = Math.max(0, Math.floor(y - reach)); v < Math.min(height, y + reach); v++)
    for (let u = Math.max(0, Math.floor(x - reach)); u < Math.min(width, x + reach); u++) {
      const [dx, dy] = [u + 0.5 - x, v + 0.5 - y];
      const onRing = Math.abs(Math.hypot(dx, dy) - CROSS.radius * scale) <= half;
      if (Math.abs(dx) <= half || Math.abs(dy) <= half || onRing) data[v * width + u] = 0;
    }
}

/** Words along the upper edge, in whole pixels as the plates have them. */
function writeWords({ data, width }: PlatePage, words: string, scale: number): void {
  const left = Math.round(LETTERS.left * scale);
  const most = width - 2 * left;
  if (most <= 0) return;
  const rows = Math.ceil((LETTERS.top + LETTERS.size / 2) * scale);
  const surface = nodeSurface(width, rows);
  const font = sheetFont('regular');
  const pixels = LETTERS.size * scale;
  const cut = cutToWidth(words, most, (part) => outlineLine(font, part, pixels).width);
  const letters = new Path2D();
  tracePath(outlineLine(font, cut, pixels).path, letters);
  const context = surface.canvas.getContext('2d');
  context.translate(left, LETTERS.top * scale);
  context.fill(letters);
  const drawn = surface.read();
  for (let at = 0; at < width * rows; at++) if ((drawn[4 * at + 3] as number) >= 128) data[at] = 0;
}
