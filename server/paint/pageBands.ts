import { setImmediate } from 'node:timers/promises';
import { cellRowsOf, copyPlaneRow, trimMarks } from '../../core/export/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import { bytesOf, isSmallCell, type PagePainting, spritesFor } from './pagePainting.ts';
import { isForThreads, OwnThread, type StripPainter } from './stripPainter.ts';

/** Pixels painted at a time: few, so that one band is encoded while the next is painted. */
const BAND_PIXELS = 1 << 22;
/** Pixels painted at a time where the motifs are too large to be kept, and are painted anew for each band that they reach into. */
const LARGE_BAND_PIXELS = 1 << 23;

/** Some rows of a page, from the top on. */
export interface Band {
  readonly rows: number;
  /** Tightly packed, width × rows × channels × depth / 8 bytes. */
  readonly data: Uint8Array;
}

/**
 * Paints a page from top to bottom, some rows at a time, so that neither the page nor its cell is ever held whole unless
 * it is small.
 *
 * @param progress called with the share that is painted, 0 to 1
 * @param threads paint it where that is sooner; begun when they are
 */
export async function* pageBands(
  painting: PagePainting,
  progress: (share: number) => void,
  threads?: () => StripPainter,
): AsyncGenerator<Band> {
  const { plan } = painting;
  const bytes = bytesOf(painting);
  const { page, painted, grid, width, height } = plan;
  const cells =
    ((painted.right - painted.left) * (painted.bottom - painted.top)) / (grid.cell.width * grid.cell.height);
  const isSmall = isSmallCell(painting);
  const keepsCell = isSmall && cells > 1.2;
  const isForOthers = threads !== undefined && isForThreads(painting, width * height);
  const painter = isForOthers ? threads() : new OwnThread(painting, spritesFor(painting));
  const atATime = rowsAtATime(width, isSmall ? BAND_PIXELS : LARGE_BAND_PIXELS);
  const bands: { readonly band: Box; readonly inside: Box }[] = [];
  for (let top = page.top; top < page.bottom; top += atATime) {
    const band = { left: page.left, top, right: page.right, bottom: Math.min(page.bottom, top + atATime) };
    bands.push({
      band,
      inside: { ...painted, top: Math.max(top, painted.top), bottom: Math.min(band.bottom, painted.bottom) },
    });
  }
  const windows = bands.map(({ inside }) => inside).filter(({ top, bottom }) => top < bottom);
  const cellShare = keepsCell ? 1 / (1 + cells / 50) : 0;
  const cell = keepsCell ? new KeptCell(painting, painter, windows, (share) => progress(cellShare * share)) : undefined;
  const strips = cell ? undefined : painter.strips(windows, progress);
  const marks = trimMarks(plan);
  // With marks there is paper around what is painted.
  const isBare = page.left < painted.left;
  for (const { band, inside } of bands) {
    let data: Uint8Array | undefined;
    if (inside.top < inside.bottom) {
      if (strips) {
        const strip = (await strips.next()).value as Uint8Array;
        data = isBare ? onPaper(strip, inside, band, bytes) : strip;
      } else if (cell) {
        data = isBare ? paper(band, bytes) : new Uint8Array(width * (band.bottom - band.top) * bytes);
        await cell.require(inside);
        layRows(cell.data, painting, inside, { data, band, bytes });
        progress(Math.max(cellShare * cell.share, (inside.bottom - page.top) / height));
      }
      await setImmediate();
    }
    data ??= paper(band, bytes);
    if (isBare) for (const mark of marks) fillBlack(mark, painting, { data, band, bytes });
    yield { rows: band.bottom - band.top, data };
  }
}

/** How many rows of so many pixels are painted at a time. */
function rowsAtATime(width: number, pixels: number): number {
  return Math.max(16, Math.floor(pixels / width));
}

/** White all over. */
function paper({ left, top, right, bottom }: Box, bytes: number): Uint8Array {
  return new Uint8Array((right - left) * (bottom - top) * bytes).fill(255);
}

/** A painted window with paper around it. */
function onPaper(strip: Uint8Array, window: Box, band: Box, bytes: number): Uint8Array {
  const data = paper(band, bytes);
  const rowBytes = (window.right - window.left) * bytes;
  for (let y = window.top; y < window.bottom; y += 1) {
    const from = (y - window.top) * rowBytes;
    data.set(strip.subarray(from, from + rowBytes), offsetIn({ data, band, bytes }, window.left, y));
  }
  return data;
}

/** Where pixels go: a band of the page. */
interface Target {
  readonly data: Uint8Array;
  readonly band: Box;
  /** Of a pixel. */
  readonly bytes: number;
}

function offsetIn({ band, bytes }: Target, x: number, y: number): number {
  return ((y - band.top) * (band.right - band.left) + x - band.left) * bytes;
}

/** The pixels of one cell, painted some rows at a time in the order in which the page needs them, so that encoding need not wait for all of it. */
class KeptCell {
  readonly data: Uint8Array;
  readonly #painting: PagePainting;
  readonly #rowBytes: number;
  readonly #atATime: number;
  /** The numbers of its parts in the order in which they are painted, and those that are. */
  readonly #order: readonly number[];
  readonly #painted = new Set<number>();
  readonly #strips: AsyncGenerator<Uint8Array>;

  /** @param windows of the plane, in the order in which they will be required */
  constructor(
    painting: PagePainting,
    painter: StripPainter,
    windows: readonly Box[],
    progress: (share: number) => void,
  ) {
    const { width, height } = painting.plan.grid.cell;
    this.#painting = painting;
    this.#rowBytes = width * bytesOf(painting);
    this.data = new Uint8Array(this.#rowBytes * height);
    this.#atATime = rowsAtATime(width, BAND_PIXELS);
    this.#order = [...new Set(windows.flatMap((window) => this.#partsOf(window)))];
    const parts = this.#order.map((part) => {
      const top = part * this.#atATime;
      return { left: 0, top, right: width, bottom: Math.min(height, top + this.#atATime) };
    });
    this.#strips = painter.strips(parts, progress);
  }

  /** How much of it is painted, 0 to 1. */
  get share(): number {
    return this.#painted.size / this.#order.length;
  }

  /** Paints what some rows of the plane are copied out of, unless it is there. */
  async require(rows: Box): Promise<void> {
    for (const part of this.#partsOf(rows)) {
      if (this.#painted.has(part)) continue;
      const strip = (await this.#strips.next()).value as Uint8Array;
      this.data.set(strip, part * this.#atATime * this.#rowBytes);
      this.#painted.add(part);
    }
  }

  /** The parts that some rows of the plane are copied out of, each once. */
  #partsOf(rows: Box): number[] {
    const { grid } = this.#painting.plan;
    const parts = new Set<number>();
    for (let y = rows.top; y < rows.bottom; y += 1)
      for (const row of cellRowsOf(grid, { y, left: rows.left, right: rows.right }))
        parts.add(Math.floor(row / this.#atATime));
    return [...parts];
  }
}

function layRows(cell: Uint8Array, { plan }: PagePainting, rows: Box, into: Target): void {
  const { left, right } = rows;
  for (let y = rows.top; y < rows.bottom; y += 1)
    copyPlaneRow(cell, plan.grid, into.bytes, { y, left, right }, into.data, offsetIn(into, left, y));
}

function fillBlack({ left, top, right, bottom }: Box, { channels, depth }: PagePainting, into: Target): void {
  const { data, band } = into;
  const colours = 3 * (depth / 8);
  for (let y = Math.max(top, band.top); y < Math.min(bottom, band.bottom); y += 1)
    for (let x = Math.max(left, band.left); x < Math.min(right, band.right); x += 1) {
      const at = offsetIn(into, x, y);
      data.fill(0, at, at + colours);
      if (channels === 4) data.fill(255, at + colours, at + into.bytes);
    }
}
