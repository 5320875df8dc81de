import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { type Design, newDesign } from '../../core/document/index.ts';
import { type ExportOrder, tileOrder } from '../../core/export/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import { step } from '../../core/lattice/index.ts';
import { LEAF, LEAF_RECORD, leafAt } from '../../core/testing/arbitraries.ts';
import { Blobs } from '../store/blobs.ts';
import { removeFolder } from '../testing/folders.ts';
import { pageBands } from './pageBands.ts';
import { spritesFor } from './pagePainting.ts';
import { preparePainting } from './preparePainting.ts';
import { isForThreads, OwnThread, pageThreads, type StripPainter } from './stripPainter.ts';

const folder = mkdtempSync(join(tmpdir(), 'hevrel-strips-'));
afterAll(() => removeFolder(folder));
const blobs = new Blobs(join(folder, 'blobs'));
const motif = { ...LEAF_RECORD, artwork: blobs.keep(Buffer.from(JSON.stringify(LEAF)), 'json') };
const plain = newDesign('d', 'Tide', { width: 60, height: 40, step: step('half-drop') }, '#183850');
const design: Design = { ...plain, placements: [leafAt('a', { x: 0, y: 0 }), leafAt('b', { x: 59, y: 21 })] };
const orderOf = (order: ExportOrder) => ({ design, motifs: [motif], blobs: blobs.folder, order });

async function pixelsOf(painter: StripPainter, windows: readonly Box[]): Promise<Buffer[]> {
  const strips: Buffer[] = [];
  for await (const strip of painter.strips(windows, () => undefined)) strips.push(Buffer.from(strip));
  return strips;
}

describe('windows painted on threads of their own', () => {
  it.each([8, 16] as const)('are the same as on one, in the same order, at %i bits', async (depth) => {
    const order = orderOf({ ...tileOrder({ kind: 'pixels', width: 600 }), ...(depth === 16 && { depth }) });
    const painting = await preparePainting(order);
    const windows = [0, 37, 90, 160, 161, 300].map((top, n, all) => ({
      left: -20 * n,
      top,
      right: 300,
      bottom: all[n + 1] ?? 390,
    }));
    const threads = pageThreads(order);
    try {
      const own = await pixelsOf(new OwnThread(painting, spritesFor(painting)), windows);
      const theirs = await pixelsOf(threads, windows);
      expect(theirs.map((strip, n) => Buffer.compare(strip, own[n] as Buffer))).toEqual(windows.map(() => 0));
    } finally {
      await threads.close();
    }
  });

  it('make a page that cannot be told from one painted on one, and are not begun for a small one', async () => {
    const order = orderOf({
      // A piece of a cell that is too large for its motifs to be kept.
      ...tileOrder({ kind: 'density', dpi: 4400 }),
      extent: { kind: 'length', width: 17, height: 17 },
      bleed: { unit: 'mm', amount: 0.5 },
      marks: true,
    });
    const painting = await preparePainting(order);
    const shown = async (threads?: () => StripPainter): Promise<Buffer> => {
      const bands: Uint8Array[] = [];
      for await (const { data } of pageBands(painting, () => undefined, threads)) bands.push(data);
      return Buffer.concat(bands);
    };
    const threads = pageThreads(order);
    try {
      let begun = 0;
      const page = await shown(() => ((begun += 1), threads));
      expect(begun).toBe(1);
      expect(Buffer.compare(page, await shown())).toBe(0);
    } finally {
      await threads.close();
    }
    expect(isForThreads(painting, 1e6)).toBe(false);
    expect(isForThreads({ ...painting, picturePixels: 1e9 }, 1e9)).toBe(false);
  });

  it('show a motif that is too large to be painted whole by the same pixels, to the bit, whatever the window', async () => {
    const painting = await preparePainting(orderOf(tileOrder({ kind: 'pixels', width: 30_000 })));
    const painter = new OwnThread(painting, undefined);
    const wide = { left: 29_600, top: 10_300, right: 30_300, bottom: 10_700 };
    const [all] = await pixelsOf(painter, [wide]);
    if (!all) throw new Error('nothing was painted');
    expect(new Set(all).size).toBeGreaterThan(20);
    for (const [left, top, right, bottom] of [
      [29_603, 10_300, 29_611, 10_700],
      [29_600, 10_477, 30_300, 10_485],
      [29_951, 10_399, 30_211, 10_661],
    ] as const) {
      const [part] = await pixelsOf(painter, [{ left, top, right, bottom }]);
      for (let y = top; y < bottom; y += 1) {
        const rowBytes = 3 * (right - left);
        const from = 3 * ((y - wide.top) * (wide.right - wide.left) + left - wide.left);
        const at = (y - top) * rowBytes;
        expect(part?.compare(all, from, from + rowBytes, at, at + rowBytes)).toBe(0);
      }
    }
  });

  it('end the work where one of them ends', async () => {
    const threads = pageThreads(orderOf(tileOrder({ kind: 'pixels', width: 100 })));
    await threads.close();
    await expect(pixelsOf(threads, [{ left: 0, top: 0, right: 10, bottom: 10 }])).rejects.toThrow(/has ended/);
  });
});
