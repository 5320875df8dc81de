import { setImmediate } from 'node:timers/promises';
import { cellRowsOf, copyPlaneRow, type ExportPlan, trimMarks } from '../../core/export/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import { type CanvasBackend, paintingPlane, type Scene, SpriteCache } from '../../core/paint/index.ts';
import { type DeepGround, deepGround, deepRows } from './deepPixels.ts';
import { nodeSurface, type NodeSurface } from './nodeBackend.ts';

/** Pixels painted at a time: few, so that one band is encoded while the next is painted. */
const BAND_PIXELS = 1 << 22;
/** Of motifs that were painted, so many pixels are kept for the bands that follow. */
const MOST_SPRITE_PIXELS = 1 << 24;
/** Pixels painted at a time where the motifs are too large to be kept, and are painted anew for each band that they reach into. */
const LARGE_BAND_PIXELS = 1 << 24;
/** A cell of at most so many pixels is painted once and laid from then on. */
const MOST_KEPT = 1 << 26;
/** Between two looks at what else is to be done, such as an encoder that waits, ms. */
const PATIENCE_MS = 8;

/** What is painted. */
export interface PagePainting {
  readonly scene: Scene;
  readonly backend: CanvasBackend;
  readonly plan: ExportPlan;
  /** With or without alpha. */
  readonly channels: 3 | 4;
  /** Bits a channel. */
  readonly depth: 8 | 16;
}

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
 */
export async function* pageBands(painting: PagePainting, progress: (share: number) => void): AsyncGenerator<Band> {
  const { plan, backend } = painting;
  const bytes = bytesOf(painting);
  const { page, painted, grid, width, height } = plan;
  const cells =
    ((painted.right - painted.left) * (painted.bottom - painted.top)) / (grid.cell.width * grid.cell.height);
  const isSmall = grid.cell.width * grid.cell.height <= MOST_KEPT;
  const keepsCell = isSmall && cells > 1.2;
  const sprites = isSmall ? new SpriteCache(backend, MOST_SPRITE_PIXELS) : undefined;
  const cell = keepsCell ? new KeptCell(painting, sprites) : undefined;
  const cellShare = keepsCell ? 1 / (1 + cells / 50) : 0;
  const marks = trimMarks(plan);
  const atATime = rowsAtATime(width, isSmall ? BAND_PIXELS : LARGE_BAND_PIXELS);
  for (let top = page.top; top < page.bottom; top += atATime) {
    const bottom = Math.min(page.bottom, top + atATime);
    const data = new Uint8Array(width * (bottom - top) * bytes);
    const band = { left: page.left, top, right: page.right, bottom };
    if (page.left < painted.left) data.fill(255);
    const inside = { ...painted, top: Math.max(top, painted.top), bottom: Math.min(bottom, painted.bottom) };
    if (inside.top < inside.bottom) {
      const done = (share: number): void =>
        progress(
          cellShare * (cell?.share ?? 1) +
            (1 - cellShare) * ((inside.top - page.top + share * (inside.bottom - inside.top)) / height),
        );
      const into = { data, band, bytes };
      if (cell) {
        await cell.require(inside, () => done(0));
        layRows(cell.data, painting, inside, into);
      } else await paintRows(painting, inside, into, sprites, done);
      done(1);
      await setImmediate();
    }
    if (page.left < painted.left) for (const mark of marks) fillBlack(mark, painting, { data, band, bytes });
    yield { rows: bottom - top, data };
  }
}

/** How many rows of so many pixels are painted at a time. */
function rowsAtATime(width: number, pixels: number): number {
  return Math.max(16, Math.floor(pixels / width));
}

/** Where pixels go: a band of the page. */
interface Target {
  readonly data: Uint8Array;
  readonly band: Box;
  /** Of a pixel. */
  readonly bytes: number;
}

/** Bytes of a pixel. */
function bytesOf({ channels, depth }: PagePainting): number {
  return channels * (depth / 8);
}

function offsetIn({ band, bytes }: Target, x: number, y: number): number {
  return ((y - band.top) * (band.right - band.left) + x - band.left) * bytes;
}

/** The pixels of one cell, painted some rows at a time when they are first asked for, so that encoding need not wait for all of it. */
class KeptCell {
  readonly data: Uint8Array;
  readonly #painting: PagePainting;
  readonly #sprites: SpriteCache | undefined;
  readonly #atATime: number;
  readonly #painted = new Set<number>();

  constructor(painting: PagePainting, sprites: SpriteCache | undefined) {
    const { width, height } = painting.plan.grid.cell;
    this.data = new Uint8Array(width * height * bytesOf(painting));
    this.#painting = painting;
    this.#sprites = sprites;
    this.#atATime = rowsAtATime(width, BAND_PIXELS);
  }

  /** How much of it is painted, 0 to 1. */
  get share(): number {
    return Math.min(1, (this.#painted.size * this.#atATime) / this.#painting.plan.grid.cell.height);
  }

  /** Paints what some rows of the plane are copied out of, unless it is there. */
  async require(rows: Box, progress: () => void): Promise<void> {
    const { plan } = this.#painting;
    const bytes = bytesOf(this.#painting);
    const { width, height } = plan.grid.cell;
    const needed = new Set<number>();
    for (let y = rows.top; y < rows.bottom; y += 1)
      for (const row of cellRowsOf(plan.grid, { y, left: rows.left, right: rows.right }))
        needed.add(Math.floor(row / this.#atATime));
    for (const part of needed) {
      if (this.#painted.has(part)) continue;
      const top = part * this.#atATime;
      const window = { left: 0, top, right: width, bottom: Math.min(height, top + this.#atATime) };
      const band = { left: 0, top: 0, right: width, bottom: height };
      await paintRows(this.#painting, window, { data: this.data, band, bytes }, this.#sprites, progress);
      this.#painted.add(part);
    }
  }
}

function layRows(cell: Uint8Array, { plan }: PagePainting, rows: Box, into: Target): void {
  const { left, right } = rows;
  for (let y = rows.top; y < rows.bottom; y += 1)
    copyPlaneRow(cell, plan.grid, into.bytes, { y, left, right }, into.data, offsetIn(into, left, y));
}

async function paintRows(
  painting: PagePainting,
  window: Box,
  into: Target,
  sprites: SpriteCache | undefined,
  progress: (share: number) => void,
): Promise<void> {
  const { scene, backend, depth, plan } = painting;
  const { grid } = plan;
  const ground = depth === 16 ? deepGround(scene, grid) : undefined;
  const surface = nodeSurface(window.right - window.left, window.bottom - window.top);
  let since = performance.now();
  const options = { bare: ground !== undefined, ...(sprites && { sprites }) };
  for (const share of paintingPlane(surface.context, { scene, grid, window }, backend, options)) {
    if (performance.now() - since < PATIENCE_MS) continue;
    progress(share);
    await setImmediate();
    since = performance.now();
  }
  readInto(surface, window, painting, ground, into);
  // Its memory goes back at once rather than when the collector comes round.
  surface.resize(1, 1);
}

/** Rows read back at a time, so that a band is never held twice as RGBA. */
const READ_ROWS = 64;

function readInto(
  { canvas }: NodeSurface,
  window: Box,
  { channels, depth }: PagePainting,
  ground: DeepGround | undefined,
  into: Target,
): void {
  const context = canvas.getContext('2d');
  const { data: out } = into;
  for (let y = 0; y < canvas.height; y += READ_ROWS) {
    const rows = Math.min(READ_ROWS, canvas.height - y);
    const { data } = context.getImageData(0, y, canvas.width, rows);
    const top = window.top + y;
    if (depth === 16) {
      const part = { ...window, top, bottom: top + rows };
      deepRows(data, part, channels, ground, (at, row) => out.set(row, offsetIn(into, window.left, at)));
      continue;
    }
    for (let row = 0; row < rows; row += 1) {
      const from = row * canvas.width * 4;
      const at = offsetIn(into, window.left, top + row);
      if (channels === 4) out.set(data.subarray(from, from + canvas.width * 4), at);
      else
        for (let i = from, o = at; i < from + canvas.width * 4; i += 4, o += 3) {
          out[o] = data[i] as number;
          out[o + 1] = data[i + 1] as number;
          out[o + 2] = data[i + 2] as number;
        }
    }
  }
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
