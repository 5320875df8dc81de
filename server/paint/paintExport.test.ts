import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Design, newDesign } from '../../core/document/index.ts';
import { type ExportOrder, exportPlan, RASTER_FORMAT_NAMES, tileOrder, trimMarks } from '../../core/export/index.ts';
import { step } from '../../core/lattice/index.ts';
import { paintPlane, sceneOf } from '../../core/paint/index.ts';
import { LEAF, LEAF_MOTIFS, LEAF_RECORD, leafAt } from '../../core/testing/arbitraries.ts';
import { Blobs } from '../store/blobs.ts';
import { exportTask } from './exportTask.ts';
import { nodeBackend, nodeSurface, pixelsOf } from './nodeBackend.ts';
import { paintExport } from './paintExport.ts';
import { proveFile } from './proveFile.ts';
import { removeFolder } from '../testing/folders.ts';

const folder = mkdtempSync(join(tmpdir(), 'hevrel-export-'));
const blobs = new Blobs(join(folder, 'blobs'));
let motif = LEAF_RECORD;
beforeAll(() => {
  motif = { ...LEAF_RECORD, artwork: blobs.keep(Buffer.from(JSON.stringify(LEAF)), 'json') };
});
afterAll(() => removeFolder(folder));

const plain = newDesign('d', 'Tide “marks”', { width: 60, height: 40, step: step('half-drop') }, '#183850');
const design: Design = {
  ...plain,
  placements: [leafAt('a', { x: 0, y: 0 }), leafAt('b', { x: 59, y: 21 }), leafAt('c', { x: 25, y: 39 })],
};
const order = (part: Partial<ExportOrder> = {}): ExportOrder => ({
  ...tileOrder({ kind: 'density', dpi: 100 }),
  ...part,
});
let files = 0;

async function made(wish: ExportOrder, of = design) {
  files += 1;
  const file = join(folder, `file-${files}`);
  const task = exportTask({ design: of, motifs: [motif], order: wish, blobs: blobs.folder, file, prove: true });
  const outcome = await paintExport(task, { progress: () => undefined });
  return { file, task, ...outcome };
}

/** The plane as RGBA, as the page of an order shows it without its marks. */
function plane(wish: ExportOrder, of = design): Buffer {
  const { grid, page: window } = exportPlan(of.repeat, wish);
  const surface = nodeSurface(window.right - window.left, window.bottom - window.top);
  paintPlane(surface.context, { scene: sceneOf(of, LEAF_MOTIFS), grid, window }, nodeBackend());
  return Buffer.from(pixelsOf(surface).buffer);
}

const decoded = (file: string): Promise<Buffer> => sharp(file, { ignoreIcc: true }).ensureAlpha().raw().toBuffer();

describe('a file', () => {
  it.each(RASTER_FORMAT_NAMES)(
    'as %s holds the plane, its density, its profile, its name and its proof',
    async (format) => {
      const wish = order({ format });
      const { file, width, height, proof } = await made(wish);
      const metadata = await sharp(file).metadata();
      expect(metadata).toMatchObject({ format, width, height });
      expect(metadata.density ?? 100).toBeCloseTo(100, 0);
      expect(metadata.icc?.toString('latin1').replaceAll('\0', '')).toContain('sRGB');
      const words = readFileSync(file).toString('utf8');
      expect(words).toMatch(/Tide “marks”/);
      expect(words).toContain(`Compared with the pattern at ${proof?.pixels} pixels along its joins`);
      const [wanted, found] = [plane(wish), await decoded(file)];
      expect(found.length).toBe(wanted.length);
      if (format === 'jpeg') {
        expect(proof?.largest).toBeGreaterThan(0);
        expect(proof?.mean).toBeLessThan(2);
      } else {
        expect(Buffer.compare(found, wanted)).toBe(0);
        expect(proof).toMatchObject({ largest: 0, tiled: true });
      }
    },
  );

  it.each([
    ['a tile', { kind: 'tile' }],
    ['five by three tiles', { kind: 'repeats', columns: 5, rows: 3 }],
    ['a cell', { kind: 'cell' }],
    ['a length of cloth', { kind: 'length', width: 333, height: 77 }],
  ] as const)('of %s with its bleed is the plane to the pixel, and its marks lie outside', async (_what, extent) => {
    const wish = order({ extent, bleed: { unit: 'mm', amount: 7 } });
    const { file, proof } = await made(wish);
    expect(proof?.largest).toBe(0);
    expect(Buffer.compare(await decoded(file), plane(wish))).toBe(0);

    const marked = order({ ...wish, marks: true });
    const plan = exportPlan(design.repeat, marked);
    const found = await decoded((await made(marked)).file);
    const [x, y] = [plan.painted.left - plan.page.left, plan.painted.top - plan.page.top];
    const inside = await sharp(found, { raw: { width: plan.width, height: plan.height, channels: 4 } })
      .extract({ left: x, top: y, width: plan.width - 2 * x, height: plan.height - 2 * y })
      .raw()
      .toBuffer();
    expect(Buffer.compare(inside, plane(wish))).toBe(0);
    // Outside is white but for the marks, which are black.
    let black = 0;
    for (let i = 0; i < found.length; i += 4) {
      const [px, py] = [(i / 4) % plan.width, Math.floor(i / 4 / plan.width)];
      if (px >= x && px < plan.width - x && py >= y && py < plan.height - y) continue;
      if (found[i] === 0) black += 1;
      else expect(found[i]).toBe(255);
    }
    const wanted = trimMarks(plan).reduce((sum, box) => sum + (box.right - box.left) * (box.bottom - box.top), 0);
    expect(black).toBe(wanted);
  });

  it('is painted in bands that cannot be told from a page painted whole', async () => {
    const wish = order({ size: { kind: 'pixels', width: 5200 } });
    const { file, width, height, kind } = await made(wish);
    expect(width * height).toBeGreaterThan(1 << 23);
    expect(kind).toBe('full');
    expect(Buffer.compare(await decoded(file), plane(wish))).toBe(0);
  });

  it('has a palette where that is exact', async () => {
    const flat = await made(order(), plain);
    expect(flat.kind).toBe('palette');
    expect((await sharp(flat.file).metadata()).isPalette).toBe(true);
    expect(Buffer.compare(await decoded(flat.file), plane(order(), plain))).toBe(0);
    const bare: Design = { ...plain, ground: { kind: 'none' } };
    const clear = await made(order(), bare);
    expect(clear.kind).toBe('palette');
    expect((await decoded(clear.file)).every((value) => value === 0)).toBe(true);
  });

  it('is transparent where there is no ground, or on the colour behind it; a JPEG has to have one', async () => {
    const bare: Design = { ...design, ground: { kind: 'none' } };
    for (const format of ['png', 'webp', 'tiff'] as const) {
      const { file, proof } = await made(order({ format }), bare);
      expect(proof?.largest).toBe(0);
      expect((await decoded(file)).filter((_, i) => i % 4 === 3)).toContain(0);
    }
    await expect(made(order({ format: 'jpeg' }), bare)).rejects.toThrow(
      /cannot be transparent.*choose a colour behind/s,
    );
    const { file } = await made(order({ backdrop: '#183850' }), bare);
    expect(Buffer.compare(await decoded(file), plane(order()))).toBe(0);
  });

  it('that differs from the plane is an error, however little', async () => {
    const { file, task } = await made(order());
    const { data, info } = await sharp(file, { ignoreIcc: true }).raw().toBuffer({ resolveWithObject: true });
    // One channel of one pixel at the very edge, by one.
    data[info.width * info.channels * 20 + 1] = (data[info.width * info.channels * 20 + 1] as number) ^ 1;
    const { width, height } = info;
    writeFileSync(
      file,
      await sharp(data, { raw: { width, height, channels: 3 } })
        .png()
        .toBuffer(),
    );
    const plan = exportPlan(design.repeat, task.order);
    const painting = {
      scene: sceneOf(design, LEAF_MOTIFS),
      backend: nodeBackend(),
      picturePixels: 0,
      plan,
      channels: 3,
      depth: 8,
    } as const;
    await expect(proveFile(file, painting, task.order)).rejects.toThrow(/differs from the plane by up to 1/);
  });

  it('leaves nothing beside it', async () => {
    const { file } = await made(order({ format: 'tiff' }));
    expect(existsSync(file)).toBe(true);
    expect(readdirSync(folder).filter((name) => /part|scratch/.test(name))).toEqual([]);
  });
});

describe('a PNG with 16 bits a channel', () => {
  const gradient: Design = {
    ...design,
    inks: [...design.inks, { id: 'dawn', name: 'Dawn', prints: [] }],
    colourways: [{ id: 'base', name: 'Base', colours: { ground: '#183850', dawn: '#20455f' } }],
    ground: {
      kind: 'gradient',
      stops: [
        { ink: 'ground', at: 0 },
        { ink: 'dawn', at: 0.5 },
      ],
      across: 1,
      down: 0,
    },
  };
  const deep = async (file: string): Promise<Uint16Array> =>
    new Uint16Array(
      new Uint8Array(
        await sharp(file, { ignoreIcc: true }).toColourspace('rgb16').removeAlpha().raw({ depth: 'ushort' }).toBuffer(),
      ).buffer,
    );

  it('has a gradient in steps that 8 bits cannot tell, under the same motifs, and closes to the bit', async () => {
    const wish = order({ size: { kind: 'pixels', width: 900 } });
    const fine = await made({ ...wish, depth: 16 }, gradient);
    expect(fine.proof).toMatchObject({ largest: 0, tiled: true });
    expect((await sharp(fine.file).metadata()).depth).toBe('ushort');
    const [found, coarse] = [await deep(fine.file), await decoded((await made(wish, gradient)).file)];
    let largest = 0;
    for (let n = 0; n < found.length; n++) {
      const other = coarse[4 * Math.floor(n / 3) + (n % 3)] as number;
      largest = Math.max(largest, Math.abs((found[n] as number) / 257 - other));
    }
    // At soft edges both round, the canvas after each motif.
    expect(largest).toBeLessThanOrEqual(3);
    const levels = new Set<number>();
    for (let n = 0; n < 3 * fine.width; n += 3) levels.add(found[n] as number);
    expect(levels.size).toBeGreaterThan(200);
    const coarseLevels = new Set<number>();
    for (let n = 0; n < 4 * fine.width; n += 4) coarseLevels.add(coarse[n] as number);
    expect(coarseLevels.size).toBeLessThan(levels.size / 2);

    const twice = await made(
      { ...wish, depth: 16, extent: { kind: 'repeats', columns: 2, rows: 1 }, size: { kind: 'pixels', width: 1800 } },
      gradient,
    );
    const both = await deep(twice.file);
    const row = 3 * fine.width;
    for (let y = 0; y < fine.height; y += 7)
      for (const half of [0, 1])
        expect(Buffer.from(both.buffer, 2 * (2 * y + half) * row, 2 * row)).toEqual(
          Buffer.from(found.buffer, 2 * y * row, 2 * row),
        );
  });

  it('has the pixels of 8 bits where a motif is blended with the ground, or there is no gradient', async () => {
    const blended = {
      ...gradient,
      placements: gradient.placements.map((placement) => ({ ...placement, blend: 'multiply' as const })),
    };
    for (const of of [blended, design]) {
      const fine = await deep((await made(order({ depth: 16 }), of)).file);
      const coarse = await decoded((await made(order(), of)).file);
      for (let n = 0; n < fine.length; n++) {
        const other = 257 * (coarse[4 * Math.floor(n / 3) + (n % 3)] as number);
        if (fine[n] !== other) expect(fine[n]).toBe(other);
      }
    }
  });
});
