import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as mupdf from 'mupdf';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Design, newDesign } from '../../core/document/index.ts';
import { pixelGrid, step } from '../../core/lattice/index.ts';
import { type Artwork, type ArtworkNode, inksOf, type Motif } from '../../core/motif/index.ts';
import { paintPlane } from '../../core/paint/index.ts';
import { type CutWish, cutSheets } from '../../core/sheet/index.ts';
import { leafAt, LEAF_RECORD } from '../../core/testing/arbitraries.ts';
import { EVERY_NODE } from '../../core/testing/everyNode.ts';
import {
  type DrawnProduct,
  flatPieces,
  newTryOn,
  outlineProduct,
  sourceKey,
  type TryOn,
} from '../../core/tryon/index.ts';
import { loadScene } from '../paint/loadScene.ts';
import { nodeSurface, pixelsOf } from '../paint/nodeBackend.ts';
import { Blobs } from '../store/blobs.ts';
import { readProductDrawing } from './readProductDrawing.ts';
import { shippedDrawing, shippedProducts } from './shippedProducts.ts';
import type { FlatWish, PictureWish } from './tryOnTask.ts';
import { writeTryOn } from './writeTryOn.ts';
import { removeFolder } from '../testing/folders.ts';

const folder = mkdtempSync(join(tmpdir(), 'hevrel-flat-'));
const blobs = new Blobs(join(folder, 'blobs'));
afterAll(() => removeFolder(folder));

const source = { design: 'd' };
let motif: Motif = LEAF_RECORD;
beforeAll(() => {
  const artwork: Artwork = EVERY_NODE;
  motif = { ...LEAF_RECORD, inks: inksOf(artwork), artwork: blobs.keep(Buffer.from(JSON.stringify(artwork)), 'json') };
});

const plain = newDesign('d', 'Tide marks', { width: 60, height: 40, step: step('half-drop') }, '#c8d2c0');
const DESIGN: Design = {
  ...plain,
  placements: [leafAt('a', { x: 0, y: 0, rotation: 30 }), leafAt('b', { x: 31, y: 21, flipped: true, scale: 0.8 })],
};
const SEA: Design = {
  ...DESIGN,
  ground: { kind: 'texture', texture: 'linen', inks: ['ground'], scale: 1, seed: 3 } as unknown as Design['ground'],
};

async function shipped(id: string): Promise<DrawnProduct> {
  const product = shippedProducts().get(id);
  if (!product) throw new Error(`no ${id}`);
  const { name } = product;
  const pieces = product.pieces.map((piece) => piece.id);
  const drawing = await readProductDrawing({
    kind: 'product',
    name,
    svg: shippedDrawing(id),
    pieces,
    blobs: blobs.folder,
  });
  return { product, drawing };
}

let files = 0;
async function written(
  { product, drawing }: DrawnProduct,
  wish: FlatWish | PictureWish,
  tryOn?: TryOn,
  design = DESIGN,
) {
  files += 1;
  const file = join(folder, `file-${files}`);
  const patterns = [{ key: sourceKey(source), state: '1', design, motifs: [motif] }];
  const worn = tryOn ?? newTryOn('Kitchen', product, source);
  const task = { kind: 'try-on', tryOn: worn, product, drawing, patterns, blobs: blobs.folder, file, wish } as const;
  const context = { progress: () => undefined, signal: new AbortController().signal };
  const outcome = await writeTryOn(task, context as unknown as Parameters<typeof writeTryOn>[1]);
  return { content: readFileSync(file), ...outcome };
}

const meanDifference = (a: ArrayLike<number>, b: ArrayLike<number>): number => {
  expect(a.length).toBe(b.length);
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += Math.abs((a[i] as number) - (b[i] as number));
  return sum / a.length;
};

describe('a product that lies flat as SVG', () => {
  for (const id of ['apron', 'notebook', 'tea-towel', 'tote', 'phone-banner', 'shorts-and-vest-pieces'])
    it(`looks as it does in pixels: ${id}`, async () => {
      const drawn = await shipped(id);
      const tryOn = { ...newTryOn('Kitchen', drawn.product, source), scale: 1.4, rotation: 20 };
      const { content } = await written(drawn, { format: 'svg' }, tryOn);
      const side = 1000;
      const { content: png } = await written(drawn, { format: 'png', side }, tryOn);
      const wanted = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true });
      const sized = content
        .toString()
        .replace(
          /<svg [^>]*viewBox/,
          `<svg xmlns="http://www.w3.org/2000/svg" width="${wanted.info.width}" height="${wanted.info.height}" viewBox`,
        );
      const found = await sharp(Buffer.from(sized)).flatten({ background: '#ffffff' }).removeAlpha().raw().toBuffer();
      // Two engines smooth edges differently, and light is multiplied in another space.
      expect(meanDifference(found, wanted.data) / 255).toBeLessThan(0.01);
    });

  it('measures what its cloth does', async () => {
    const drawn = await shipped('tea-towel');
    const { content } = await written(drawn, { format: 'svg' });
    const [, width] = /width="([\d.]+)mm"/.exec(content.toString()) ?? [];
    const [piece] = flatPieces(drawn.product, drawn.drawing, newTryOn('Kitchen', drawn.product, source));
    const { left, right } = piece?.bounds ?? { left: 0, right: 0 };
    expect(right - left).toBeCloseTo(480, 0);
    // Its drawing is 1,200 units wide, and the towel 480 mm of them.
    expect(Number(width)).toBeCloseTo((1200 * (right - left)) / 500.57, 0);
  });

  it('holds a ground of more than one colour as a picture', async () => {
    const { content } = await written(await shipped('apron'), { format: 'svg' }, undefined, SEA);
    expect(content.toString()).toContain('data:image/png');
  });
});

const square: ArtworkNode = {
  kind: 'path',
  path: 'M0 0L300 0L300 200L0 200Z',
  rule: 'nonzero',
  fill: { kind: 'ink', ink: '#000000', opacity: 1 },
};
const card = (nodes: readonly ArtworkNode[]): DrawnProduct =>
  outlineProduct('card', 'Card', { version: 1, view: { x: 0, y: 0, width: 300, height: 200 }, nodes: [...nodes] }, 300);
const A4: CutWish = { paper: 'a4', isWide: false, margin: 10, bleed: 0, marks: false, fill: false };
/** Pixels to a mm. */
const DENSITY = 4;

function pages(pdf: Buffer): { readonly width: number; readonly height: number; readonly data: Uint8ClampedArray }[] {
  const document = mupdf.Document.openDocument(pdf, 'application/pdf');
  const scale = (DENSITY * 25.4) / 72;
  return Array.from({ length: document.countPages() }, (_, n) => {
    const page = document.loadPage(n);
    const pixmap = page.toPixmap(mupdf.Matrix.scale(scale, scale), mupdf.ColorSpace.DeviceRGB, false, true);
    return { width: pixmap.getWidth(), height: pixmap.getHeight(), data: pixmap.getPixels().slice() };
  });
}

describe('a product on sheets of paper', () => {
  it('is the cloth at its true size, put together again from its parts', async () => {
    const drawn = card([square]);
    const { content, sheets, width, height } = await written(drawn, { format: 'pdf', sheet: A4 });
    expect([sheets, width, height]).toEqual([2, 210, 297]);
    const whole = Buffer.alloc(300 * DENSITY * 200 * DENSITY * 3);
    const cut = cutSheets({ width: 300, height: 200 }, A4);
    for (const [n, page] of pages(content).entries()) {
      const { part, x, y } = cut[n]?.parts[0] ?? { part: { left: 0, top: 0, right: 0, bottom: 0 }, x: 0, y: 0 };
      for (let row = part.top * DENSITY; row < part.bottom * DENSITY; row += 1) {
        const from = ((row + y * DENSITY) * page.width + (part.left + x) * DENSITY) * 3;
        const to = (row * 300 * DENSITY + part.left * DENSITY) * 3;
        whole.set(page.data.subarray(from, from + (part.right - part.left) * DENSITY * 3), to);
      }
    }
    const { scene, backend } = await loadScene(DESIGN, [motif], blobs);
    // The pattern hangs from the middle of the card.
    const [left, top] = [-150 * DENSITY, -100 * DENSITY];
    const window = { left, top, right: left + 300 * DENSITY, bottom: top + 200 * DENSITY };
    const surface = nodeSurface(300 * DENSITY, 200 * DENSITY);
    paintPlane(surface.context, { scene, grid: pixelGrid(DESIGN.repeat, DENSITY), window }, backend);
    const wanted = [...pixelsOf(surface)].filter((_, i) => i % 4 !== 3);
    expect(meanDifference(whole, wanted) / 255).toBeLessThan(0.005);
  });

  it('bleeds around an outline, which is drawn to be cut along, and leaves the rest of the paper white', async () => {
    const round: ArtworkNode = {
      ...square,
      path: 'M75 0C116 0 150 34 150 75C150 116 116 150 75 150C34 150 0 116 0 75C0 34 34 0 75 0Z',
    };
    const drawn = outlineProduct(
      'tag',
      'Tag',
      { version: 1, view: { x: 0, y: 0, width: 150, height: 150 }, nodes: [round] },
      150,
    );
    const sheet = { ...A4, bleed: 5, marks: true };
    const { content, sheets } = await written(drawn, { format: 'pdf', sheet });
    expect(sheets).toBe(1);
    const [page] = pages(content);
    const at = (x: number, y: number): number[] => {
      const i = (Math.round(y * DENSITY) * (page?.width ?? 0) + Math.round(x * DENSITY)) * 3;
      return [...(page?.data.subarray(i, i + 3) ?? [])];
    };
    const [middle, radius] = [{ x: 105, y: 148.5 }, 75];
    for (const angle of [0.3, 1.2, 2.5, 4, 5.5]) {
      const along = (r: number): number[] => at(middle.x + r * Math.cos(angle), middle.y + r * Math.sin(angle));
      expect(along(radius + 4)).not.toEqual([255, 255, 255]);
      expect(along(radius + 7)).toEqual([255, 255, 255]);
    }
  });

  it('fills a sheet with copies', async () => {
    const small = outlineProduct(
      'tag',
      'Tag',
      { version: 1, view: { x: 0, y: 0, width: 300, height: 200 }, nodes: [square] },
      60,
    );
    const { content } = await written(small, { format: 'pdf', sheet: { ...A4, fill: true } });
    const [{ parts } = { parts: [] }] = cutSheets({ width: 60, height: 40 }, { ...A4, fill: true });
    expect(parts.length).toBe(3 * 6);
    const [page] = pages(content);
    for (const { x, y } of parts) {
      const i = (Math.round((y + 20) * DENSITY) * (page?.width ?? 0) + Math.round((x + 30) * DENSITY)) * 3;
      expect([...(page?.data.subarray(i, i + 3) ?? [])]).not.toEqual([255, 255, 255]);
    }
  });

  it('says which piece does not lie flat', async () => {
    await expect(written(await shipped('cushion'), { format: 'svg' })).rejects.toMatchObject({
      status: 422,
      message: expect.stringMatching(/does not lie flat.*PNG, JPEG or WebP/),
    });
  });

  it('says what helps where it takes too many sheets', async () => {
    const vast = outlineProduct(
      'wall',
      'Wall',
      { version: 1, view: { x: 0, y: 0, width: 300, height: 200 }, nodes: [square] },
      9000,
    );
    await expect(written(vast, { format: 'pdf', sheet: A4 })).rejects.toMatchObject({
      status: 422,
      message: expect.stringMatching(/sheets.*Choose larger paper/),
    });
  });
});
