import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import * as mupdf from 'mupdf';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Job } from '../../contract/index.ts';
import { type Design, newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { inksOf, type Motif } from '../../core/motif/index.ts';
import { DEFAULT_SEPARATION, type SeparationOrder } from '../../core/separate/index.ts';
import { LEAF, leafAt, LEAF_RECORD } from '../../core/testing/arbitraries.ts';
import { Blobs } from '../store/blobs.ts';
import { useSpirals } from '../testing/spirals.ts';
import { makePlates } from './makePlates.ts';
import { removeFolder } from '../testing/folders.ts';

const folder = mkdtempSync(join(tmpdir(), 'hevrel-plates-'));
const blobs = new Blobs(join(folder, 'blobs'));
afterAll(() => removeFolder(folder));

let motif: Motif = LEAF_RECORD;
beforeAll(() => {
  motif = { ...LEAF_RECORD, artwork: blobs.keep(Buffer.from(JSON.stringify(LEAF)), 'json') };
});

const [FIRST, ...REST] = inksOf(LEAF);
/** A leaf in one dark ink and one light one on a ground. */
const DESIGN: Design = {
  ...newDesign('d', 'Sea lettuce', { width: 40, height: 30, step: SQUARE }),
  inks: [
    { id: 'ground', name: 'Sand', prints: [] },
    { id: 'leaf', name: 'Leaf', prints: FIRST ? [FIRST] : [] },
    { id: 'veins', name: 'Veins', prints: REST },
  ],
  colourways: [{ id: 'base', name: 'Base', colours: { ground: '#f0e6cc', leaf: '#3e7a5e', veins: '#1f2430' } }],
  placements: [leafAt('a', { x: 20, y: 15, rotation: 30 }), leafAt('b', { x: 39, y: 2 })],
};

const file = join(folder, 'plates');
async function made(order: Partial<SeparationOrder>): Promise<{ content: Buffer; width: number; height: number }> {
  const outcome = await makePlates(
    {
      kind: 'plates',
      design: DESIGN,
      motifs: [motif],
      blobs: blobs.folder,
      title: 'Sea lettuce',
      file,
      order: { ...DEFAULT_SEPARATION, dpi: 127, ...order },
    },
    { progress: () => undefined },
  );
  return { content: readFileSync(file), width: outcome.width, height: outcome.height };
}

/** Rows of grey of each plate of a ZIP, with what the file says of itself. */
async function platesIn(content: Buffer) {
  const files = Object.entries(unzipSync(content)).filter(([name]) => !name.endsWith('.txt'));
  return Promise.all(
    files.map(async ([name, bytes]) => {
      const picture = sharp(bytes);
      const { data, info } = await picture.clone().toColourspace('b-w').raw().toBuffer({ resolveWithObject: true });
      return { name, data, ...info, meta: await picture.metadata() };
    }),
  );
}

describe('files of plates', () => {
  it.each(['tiff', 'png'] as const)(
    'are one %s of one bit for each ink, in printing order, at their density',
    async (format) => {
      const { content, width, height } = await made({ format, depth: 'flat' });
      expect([width, height]).toEqual([200, 150]);
      const plates = await platesIn(content);
      const ending = format === 'tiff' ? 'tif' : 'png';
      expect(plates.map(({ name }) => name)).toEqual(
        ['01 Sand', '02 Leaf', '03 Veins'].map((name) => `${name}.${ending}`),
      );
      for (const { data, meta } of plates) {
        expect(meta.density).toBe(127);
        expect(meta.bitsPerSample).toBe(1);
        expect(new Set(data)).toEqual(new Set([0, 255]));
      }
      const text = Buffer.from(unzipSync(content)['Plates.txt'] as Uint8Array).toString();
      expect(text).toMatch(/^Sea lettuce: 1 of 3, Sand #f0e6cc, \d+\.\d %, 127 dpi\n/);
    },
  );

  it('have the same marks at the same places outside the trim, and every pixel of the tile on one plate', async () => {
    const { content, width, height } = await made({ format: 'png', depth: 'flat' });
    const plates = await platesIn(content);
    const margin = ((plates[0]?.width ?? 0) - width) / 2;
    expect(margin).toBe(70);
    const [first] = plates;
    if (!first) expect.fail('there are plates');
    let marks = 0;
    for (let y = 0; y < first.height; y++)
      for (let x = 0; x < first.width; x++) {
        const values: number[] = plates.map(({ data }) => data[y * first.width + x] as number);
        const inTile = x >= margin && x < margin + width && y >= margin && y < margin + height;
        if (inTile) {
          if (values.filter((value) => value === 0).length !== 1) expect.fail(`${x} ${y}: ${values.join(' ')}`);
          continue;
        }
        // Words differ from plate to plate, in one line at the top.
        if (y < 0.09 * first.height) continue;
        expect(new Set(values).size).toBe(1);
        if (values[0] === 0) marks += 1;
      }
    expect(marks).toBeGreaterThan(200);
    // The crosses of the registration marks meet in the middles of the sides.
    const at = (x: number, y: number): number | undefined => first.data[Math.floor(y) * first.width + Math.floor(x)];
    expect(at(margin - 30, first.height / 2)).toBe(0);
    expect(at(first.width - margin + 30, first.height / 2)).toBe(0);
  });

  it('are shades of grey, or one page a plate of a PDF at true size', async () => {
    const grey = await platesIn((await made({ depth: 'grey' })).content);
    expect(grey.some(({ data }) => new Set(data).size > 2)).toBe(true);
    const { content } = await made({ format: 'pdf' });
    const pdf = mupdf.Document.openDocument(content, 'application/pdf');
    expect(pdf.countPages()).toBe(3);
    const [left, top, right, bottom] = pdf.loadPage(0).getBounds();
    const mm = [right - left, bottom - top].map((points) => (points * 25.4) / 72);
    expect(mm[0]).toBeCloseTo(40 + 28, 1);
    expect(mm[1]).toBeCloseTo(30 + 28, 1);
  });
});

describe('the route', () => {
  const spirals = useSpirals();

  it('makes plates as a job, and refuses what is too large, empty or unknown in a sentence', async () => {
    const { id } = await spirals.create();
    const ask = (order: Partial<SeparationOrder>, design = id) =>
      spirals.hevrel.call('POST', '/plates', { design, order: { ...DEFAULT_SEPARATION, ...order } });
    const job = await spirals.hevrel.ended((await ask({ dpi: 60 })).body as unknown as Job);
    expect(job.state, job.message ?? '').toBe('done');
    expect(job.result).toMatchObject({ gaps: 0, overprints: 0 });
    const repeat = { width: 900, height: 900, step: SQUARE };
    const wide = await spirals.hevrel.call('POST', '/designs', { name: 'Wide', repeat });
    const large = await ask({ dpi: 1200 }, (wide.body['design'] as Design).id);
    expect([large.status, large.body['detail']]).toEqual([
      422,
      expect.stringMatching(/at most 250 are made\. Nothing was made; choose a lower density/),
    ]);
    expect((await ask({}, 'nothing')).status).toBe(404);
    expect((await ask({ dpi: 3 })).status).toBe(400);
  });
});
