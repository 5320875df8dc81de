import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Job, StoredMotif } from '../../contract/index.ts';
import { channels, type Hex } from '../../core/colour/index.ts';
import { type Design, newDesign, newPlacement } from '../../core/document/index.ts';
import { tileOrder, vectorTileOrder } from '../../core/export/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { DEFAULT_SEPARATION } from '../../core/separate/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';

const PALETTE: readonly Hex[] = ['#f4ecdc', '#b5442f', '#22304a'];
const INKS: readonly Hex[] = ['#ffffff', '#566f52', '#d8a63a'];
/** Side of a painted stripe, pixels. */
const SIDE = 20;

let studio: TestStudio;
let motif: StoredMotif;
let painted: StoredMotif;

/** A picture of three stripes, one in each colour of the palette. */
async function stripes(): Promise<Buffer> {
  const data = Buffer.alloc(3 * SIDE * SIDE * 3);
  for (let at = 0; at < data.length; at += 3) data.set(channels(PALETTE[Math.floor((at / 3 / SIDE) % 3)] as Hex), at);
  return sharp(data, { raw: { width: 3 * SIDE, height: SIDE, channels: 3 } })
    .png()
    .toBuffer();
}

const remade = (recipe: unknown) => studio.call('PUT', `/motifs/${motif.id}/recipe`, { recipe });

beforeAll(async () => {
  studio = await openTestStudio();
  const sent = await studio.send('stripes.png', await stripes());
  motif = sent.body['motif'] as StoredMotif;
  await studio.call('PATCH', `/motifs/${motif.id}`, { width: 60 });
  painted = (await remade({ kind: 'merged', original: motif.artwork, within: 0, palette: PALETTE }))
    .body as unknown as StoredMotif;
  await studio.studio.designs.insert(design('recoloured', INKS));
});
afterAll(() => studio.close());

/** The picture, once in a cell of its own size. */
function design(id: string, colours: readonly Hex[]): Design {
  return {
    ...newDesign(id, 'Stripes', { width: 60, height: 20, step: SQUARE }),
    inks: PALETTE.map((print, n) => ({ id: `ink-${n}`, name: `Ink ${n}`, prints: [print] })),
    ground: { kind: 'none' },
    colourways: [
      { id: 'base', name: 'Base', colours: Object.fromEntries(colours.map((colour, n) => [`ink-${n}`, colour])) },
    ],
    placements: [newPlacement('a', motif, { x: 30, y: 10 })],
  };
}

async function made(path: string, wish: object): Promise<{ result: Record<string, unknown>; content: Buffer }> {
  const answer = await studio.call('POST', path, wish);
  expect(answer.status, JSON.stringify(answer.body)).toBe(202);
  const job = await studio.ended(answer.body as unknown as Job);
  expect(job.state, job.message ?? '').toBe('done');
  const result = job.result as Record<string, unknown>;
  const file = await studio.fetch((result['href'] as string).replace('/api', ''));
  return { result, content: Buffer.from(await file.arrayBuffer()) };
}

/** The colours in the middle of the three stripes. */
async function coloursIn(picture: Buffer): Promise<readonly (readonly number[])[]> {
  const { data, info } = await sharp(picture).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return [1, 3, 5].map((sixth) => {
    const x = Math.floor((info.width * sixth) / 6);
    const at = 4 * (Math.floor(info.height / 2) * info.width + x);
    return [...data.subarray(at, at + 3)];
  });
}

describe('a picture with a palette', () => {
  it('has its colours as inks, is as large as before, and can be had back as it was', async () => {
    expect(motif.inks).toEqual([]);
    expect(painted).toMatchObject({ inks: PALETTE, width: 60, source: motif.source });
    const plain = (await remade({ kind: 'merged', original: motif.artwork, within: 0 })).body;
    expect(plain).toMatchObject({ inks: [], artwork: motif.artwork });
    const again = await remade({ kind: 'merged', original: motif.artwork, within: 0, palette: PALETTE });
    expect(again.body).toMatchObject({ artwork: painted.artwork });
  });

  it('is refused more colours than it can have, and the same one twice', async () => {
    for (const [palette, status] of [
      [[], 400],
      [Array.from({ length: 9 }, (_, n) => `#00000${n}`), 400],
      [['#000000', '#000000', '#ffffff'], 422],
    ] as const) {
      const answer = await remade({ kind: 'merged', original: motif.artwork, within: 0, palette });
      expect(answer.status, JSON.stringify(palette)).toBe(status);
    }
    expect((await studio.call('GET', `/motifs/${motif.id}`)).body).toMatchObject({ inks: PALETTE });
  });

  it.each([60, 180])('is exported in the inks of the design to the digit, at %i pixels', async (width) => {
    const { content } = await made('/exports', { design: 'recoloured', order: tileOrder({ kind: 'pixels', width }) });
    expect(await coloursIn(content)).toEqual(INKS.map((ink) => [...channels(ink)]));
  });

  it('is in its inks in SVG, which another engine draws alike, and in PDF', async () => {
    const { content, result } = await made('/exports', { design: 'recoloured', order: vectorTileOrder('svg') });
    const [, encoded = ''] = /href="data:image\/png;base64,([^"]+)"/.exec(content.toString('utf8')) ?? [];
    expect(await coloursIn(Buffer.from(encoded, 'base64'))).toEqual(INKS.map((ink) => [...channels(ink)]));
    expect((result['proof'] as { mean: number }).mean).toBeLessThan(1);
    const { content: pdf } = await made('/exports', { design: 'recoloured', order: vectorTileOrder('pdf') });
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
  });

  it('is printed by the plates of its inks, a third of the cloth each, and by no plate of its own', async () => {
    const { result } = await made('/plates', {
      design: 'recoloured',
      order: { ...DEFAULT_SEPARATION, depth: 'flat', dpi: 254 },
    });
    const plates = result['plates'] as { ink: string; coverage: number }[];
    expect(plates.map(({ ink }) => ink).sort()).toEqual(['ink-0', 'ink-1', 'ink-2']);
    for (const { coverage } of plates) expect(coverage).toBeCloseTo(1 / 3, 2);
  });
});
