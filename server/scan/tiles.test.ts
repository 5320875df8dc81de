import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Hex } from '../../core/colour/index.ts';
import type { Job, Scan, StoredDesign, StoredMotif } from '../../contract/index.ts';
import { latticeOf, mirroredStep, pixelGrid, rotatedStep, SQUARE, step } from '../../core/lattice/index.ts';
import { texture } from '../../core/testing/textures.ts';
import { type Design, newPlacement } from '../../core/document/index.ts';
import { makeTile } from '../../core/tile/index.ts';
import { picturesOf } from '../../core/motif/index.ts';
import { paintPlane } from '../../core/paint/index.ts';
import sharp from 'sharp';
import { loadScene } from '../paint/loadScene.ts';
import { nodeSurface, pixelsOf } from '../paint/nodeBackend.ts';
import { motifsById } from '../store/motifs.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { readArtwork } from '../store/keptArtwork.ts';

let studio: TestStudio;
let scan: Scan;
const [WIDTH, HEIGHT] = [160, 120];
const picture = texture(0, WIDTH, HEIGHT);

beforeAll(async () => {
  studio = await openTestStudio();
  const png = await sharp(picture.data, { raw: { width: WIDTH, height: HEIGHT, channels: 4 } })
    .png()
    .toBuffer();
  const answer = await studio.fetch('/scans?name=clouds.png', { method: 'POST', body: new Uint8Array(png) });
  scan = (await answer.json()) as Scan;
});
afterAll(() => studio.close());

const frame = { x: 80, y: 60, width: 80, height: 60, rotation: 0 };
const order = (rest: object): object => ({ name: 'Clouds', collection: 'Pictures', frame, width: 80, ...rest });

async function made(rest: object): Promise<{ motif: string; design: string | null }> {
  const job = (await studio.call('POST', `/scans/${scan.id}/tiles`, order(rest))).body as unknown as Job;
  const ended = await studio.ended(job);
  expect(ended).toMatchObject({ state: 'done', message: null });
  return ended.result as { motif: string; design: string | null };
}

/** The design's own cloth at one pixel to the picture's pixel, RGBA, some cells of it. */
async function clothOf(id: string, scale: number, change: (design: Design) => Design = (design) => design) {
  const stored = (await studio.call('GET', `/designs/${id}`)).body as unknown as StoredDesign;
  const design = change(stored.design);
  const motifs = await motifsById(
    studio.studio.database,
    design.placements.map(({ motif }) => motif),
  );
  const { scene, backend } = await loadScene(design, motifs, studio.studio.blobs);
  const grid = pixelGrid(design.repeat, scale);
  const sheet = nodeSurface(400, 300);
  paintPlane(sheet.context, { scene, grid, window: { left: 0, top: 0, right: 400, bottom: 300 } }, backend);
  const data = Buffer.from(pixelsOf(sheet).buffer);
  return {
    design,
    at: (x: number, y: number): number[] => [...data.subarray(4 * (y * 400 + x), 4 * (y * 400 + x) + 3)],
  };
}

describe('a picture made to repeat', () => {
  it('becomes a motif that fills the cell of a design, mirrored both ways without a gap', async () => {
    const { motif, design: id } = await made({ way: { kind: 'laid', step: mirroredStep(SQUARE, 'both') } });
    const { design, at } = await clothOf(id ?? '', 1);
    expect(design.repeat).toMatchObject({ width: 160, height: 120, step: SQUARE });
    expect(latticeOf(design.repeat).ops).toHaveLength(1);
    const stored = (await studio.call('GET', `/motifs/${motif}`)).body as unknown as StoredMotif;
    expect(stored.recipe).toMatchObject({ kind: 'tile', picture: scan.picture, frame });
    expect(stored.collection).toBe('Pictures');
    let most = 0;
    for (let y = 0; y < 300; y += 1)
      for (let x = 0; x < 400; x += 1) {
        const mirrored = (n: number, size: number): number => {
          const turn = n % (2 * size);
          return turn < size ? turn : 2 * size - 1 - turn;
        };
        const from = 4 * ((30 + mirrored(y, 60)) * WIDTH + 40 + mirrored(x, 80));
        at(x, y).forEach((level, c) => {
          most = Math.max(most, Math.abs(level - (picture.data[from + c] as number)));
        });
      }
    expect(most).toBeLessThanOrEqual(2);
  });

  it('fills the cloth in every way: no ground shows at any join', async () => {
    for (const way of [
      { kind: 'laid', step: rotatedStep(SQUARE, 'sixth') },
      { kind: 'halves', step: step('half-drop') },
      { kind: 'joined', step: step('brick', 1, 3), overlap: 0.2, spread: true, even: true },
    ]) {
      const height = way.kind === 'laid' ? 80 * (Math.sqrt(3) / 2) : 60;
      const { design } = await made({ way, frame: { ...frame, height } });
      const { at } = await clothOf(design ?? '', 1.37);
      let least = 255;
      // The clouds are of a warm grey; the ground is much lighter.
      for (let y = 0; y < 300; y += 1)
        for (let x = 0; x < 400; x += 1) least = Math.min(least, 255 - (at(x, y)[2] as number));
      expect(least, way.kind).toBeGreaterThan(60);
    }
  });

  it('is not taken for the picture that it was made from, when that is imported', async () => {
    const { motif } = await made({ name: 'Haze', way: { kind: 'laid', step: SQUARE } });
    const tile = (await studio.call('GET', `/motifs/${motif}`)).body as unknown as StoredMotif;
    const png = await studio.studio.blobs.read(tile.source);
    const first = (await studio.send('clouds.png', png)).body['motif'] as StoredMotif;
    expect(first).toMatchObject({ source: tile.source, recipe: null });
    expect(first.id).not.toBe(motif);
    // The picture itself is known the next time.
    expect((await studio.send('clouds.png', png)).body['motif']).toMatchObject({ id: first.id });
  });

  it('lies nowhere twice: what shows through, or is blended, has no grid at the joins', async () => {
    for (const [step1, scale] of [
      [SQUARE, 1],
      [SQUARE, 1.37],
      [step('half-drop'), 1.37],
      [step('brick', 1, 3), 0.83],
    ] as const) {
      const { design } = await made({ name: 'Mist', way: { kind: 'laid', step: step1 } });
      const shown = (change: (placement: Design['placements'][number]) => object) =>
        clothOf(design ?? '', scale, (plain) => ({
          ...plain,
          placements: plain.placements.map((placement) => ({ ...placement, ...change(placement) })),
        }));
      const [whole, none, half] = await Promise.all([
        shown(() => ({})),
        shown(() => ({ opacity: 0 })),
        shown(() => ({ opacity: 0.5 })),
      ]);
      let most = 0;
      for (let y = 0; y < 300; y += 1)
        for (let x = 0; x < 400; x += 1) {
          const [picture, ground] = [whole.at(x, y), none.at(x, y)];
          half.at(x, y).forEach((level, c) => {
            most = Math.max(most, Math.abs(level - ((picture[c] as number) + (ground[c] as number)) / 2));
          });
        }
      expect(most, `${step1.kind} at ${scale}`).toBeLessThanOrEqual(2);
    }
  });

  it('follows another frame or way, and says in sentences what cannot be done', async () => {
    const { motif } = await made({ way: { kind: 'laid', step: SQUARE } });
    const again = await made({ way: { kind: 'halves', step: SQUARE }, replace: motif });
    expect(again).toEqual({ motif, design: null });
    const stored = (await studio.call('GET', `/motifs/${motif}`)).body as unknown as StoredMotif;
    expect(stored.recipe).toMatchObject({ way: { kind: 'halves' } });
    const back = await studio.call('POST', `/scans/of-motif/${motif}`, {});
    expect(back.body).toMatchObject({ id: scan.id });

    const refused = async (rest: object): Promise<unknown> => {
      const { status, body } = await studio.call('POST', `/scans/${scan.id}/tiles`, order(rest));
      expect(status).toBe(422);
      return body['detail'];
    };
    const joined = { kind: 'joined', step: SQUARE, overlap: 0.02, spread: true, even: true };
    expect(await refused({ way: joined, frame: { ...frame, width: 20, height: 20 } })).toMatch(
      /20 × 20 pixels is too small .* Nothing was made/,
    );
    expect(await refused({ way: joined, frame: { ...frame, width: 1, height: 1 } })).toMatch(/too small/);
    const laid = { kind: 'laid', step: rotatedStep(SQUARE, 'sixth') };
    expect(await refused({ way: laid })).toMatch(/has to be 0.866 times as high as wide/);
    expect(await refused({ way: joined, frame: { ...frame, height: 1000, width: 90 }, width: 900 })).toMatch(
      /and cells are 5 to 5000 mm/,
    );
    expect((await studio.call('POST', `/scans/nothing/tiles`, order({ way: joined }))).status).toBe(404);
    const large = (
      await studio.call(
        'POST',
        `/scans/${scan.id}/tiles`,
        order({ way: { ...joined, overlap: 0.2 }, frame: { ...frame, width: 9000, height: 9000 } }),
      )
    ).body as unknown as Job;
    expect(await studio.ended(large)).toMatchObject({
      state: 'failed',
      message: expect.stringMatching(/81 megapixels/) as string,
    });
  });

  it('has inks once it is given a palette, which it keeps however it is made to repeat', async () => {
    const { motif, design } = await made({ way: { kind: 'laid', step: SQUARE } });
    const stored = async () => (await studio.call('GET', `/motifs/${motif}`)).body as unknown as StoredMotif;
    const before = await stored();
    const palette: readonly [Hex, Hex, Hex] = ['#8a7f72', '#d8d0c4', '#403a35'];
    const given = await studio.call('PUT', `/motifs/${motif}/recipe`, { recipe: { ...before.recipe, palette } });
    expect(given.status, JSON.stringify(given.body)).toBe(200);
    const inked = await stored();
    expect([...inked.inks].sort()).toEqual([...palette].sort());
    const pictures = async ({ artwork }: StoredMotif) => picturesOf(await readArtwork(studio.studio.blobs, artwork));
    expect(await pictures(inked)).toEqual(await pictures(before));
    // An ink that is changed in the design is changed all over the cloth.
    const withStone =
      (to: Hex) =>
      (one: Design): Design => ({
        ...one,
        inks: [...one.inks, { id: 'stone', name: 'Stone', prints: [palette[0]] }],
        colourways: one.colourways.map((way) => ({ ...way, colours: { ...way.colours, stone: to } })),
      });
    const [plain, red] = [
      await clothOf(design ?? '', 1, withStone('#8a7f72')),
      await clothOf(design ?? '', 1, withStone('#ff0000')),
    ];
    let redder = 0;
    for (let y = 0; y < 300; y += 10)
      for (let x = 0; x < 400; x += 10)
        redder += Number((red.at(x, y)[0] as number) > (plain.at(x, y)[0] as number) + 10);
    expect(redder / 1200).toBeGreaterThan(0.5);
    await made({ way: { kind: 'halves', step: SQUARE }, replace: motif });
    expect((await stored()).recipe).toMatchObject({ way: { kind: 'halves' }, palette });
    await studio.call('PUT', `/motifs/${motif}/recipe`, { recipe: { ...before.recipe, palette: undefined } });
    expect((await stored()).inks).toEqual([]);
  });

  it('goes elsewhere with its picture and what is made of it, in a pack and as a collection, and is changed there', async () => {
    const { motif, design } = await made({ way: { kind: 'laid', step: SQUARE } });
    const layout = { kind: 'grid', columns: 3, rows: 2, across: 90, down: 70, shift: 0 };
    const array = { kind: 'array', motif, layout, turn: 5, growth: 0, varyRotation: 0, varyScale: 0, seed: 1 };
    const answer = await studio.call('POST', '/motifs/made', { name: 'Rows', collection: 'Pictures', recipe: array });
    expect(answer.status, JSON.stringify(answer.body)).toBe(201);
    const rows = answer.body as unknown as StoredMotif;
    const commands = [
      { type: 'insert', placements: [{ index: 1, placement: newPlacement('rows', rows, { x: 40, y: 30 }) }] },
    ];
    const patched = await studio.call('PATCH', `/designs/${design}`, { save: 'save-of-rows', revision: 1, commands });
    expect(patched.status, JSON.stringify(patched.body)).toBe(200);
    const file = async (href: string): Promise<Uint8Array<ArrayBuffer>> =>
      new Uint8Array(await (await studio.fetch(href)).arrayBuffer());
    const job = (await studio.call('POST', '/packs', { swatches: [], designs: [design] })).body as unknown as Job;
    const { href } = (await studio.ended(job)).result as { href: string };
    for (const [to, content] of [
      ['/packs/import', await file(href.replace('/api', ''))],
      ['/collections', await file('/collections/file?name=Pictures')],
    ] as const) {
      const there = await openTestStudio();
      try {
        const sent = await there.fetch(to, { method: 'POST', body: content });
        expect(sent.status, to).toBe(201);
        const listed = (await there.call('GET', '/motifs')).body['motifs'] as StoredMotif[];
        const [tile, made] = [motif, rows.id].map((id) =>
          listed.find(({ name, artwork }) => (id === motif ? name === 'Clouds' : artwork === rows.artwork)),
        );
        expect(made?.recipe).toMatchObject({ kind: 'array', motif: tile?.id, layout });
        const shelf = await there.call('POST', `/scans/of-motif/${tile?.id}`, {});
        expect(shelf.body).toMatchObject({ picture: scan.picture, width: WIDTH, height: HEIGHT });
        const anew = order({ way: { kind: 'halves', step: SQUARE }, replace: tile?.id });
        const remade = await there.call('POST', `/scans/${shelf.body['id']}/tiles`, anew);
        expect(await there.ended(remade.body as unknown as Job)).toMatchObject({ state: 'done' });
        const after = (await there.call('GET', `/motifs/${made?.id}`)).body;
        expect(after['artwork']).not.toBe(rows.artwork);
      } finally {
        await there.close();
      }
    }
  });
});

describe('a ready tile', () => {
  it('is looked at in all its pixels, of any kind of picture, and refused where it cannot be told', async () => {
    const [wide, high] = [900, 60];
    const half = { x: wide / 2, y: high / 2, width: wide, height: high, rotation: 0 };
    const way = { kind: 'laid', step: mirroredStep(SQUARE, 'both') } as const;
    const { pixels } = makeTile(texture(0, wide, high), { frame: half, width: 80, way });
    // Wider than the smaller picture that the page shows, with one column too many.
    const [width, height] = [pixels.width + 1, pixels.height];
    const data = new Uint8Array(4 * width * height).fill(255);
    for (let y = 0; y < height; y += 1)
      data.set(pixels.data.subarray(4 * y * pixels.width, 4 * (y + 1) * pixels.width), 4 * y * width);
    const tiff = await sharp(data, { raw: { width, height, channels: 4 } })
      .tiff({ compression: 'lzw' })
      .toBuffer();
    const sent = await studio.fetch('/scans?name=bought.tif', { method: 'POST', body: new Uint8Array(tiff) });
    const { id } = (await sent.json()) as Scan;
    const looked = (frame: object) => studio.call('POST', `/scans/${id}/seams`, { frame });
    const whole = { x: width / 2, y: height / 2, width, height, rotation: 0 };
    expect((await looked(whole)).body).toMatchObject({
      width,
      height,
      faults: [{ kind: 'stray', edge: 'right', count: 1 }],
    });
    const trimmed = await looked({ ...whole, x: whole.x - 0.5, width: width - 1 });
    expect(trimmed.body).toMatchObject({ step: SQUARE, faults: [] });
    expect(await looked({ ...whole, width: 9, height: 9 })).toMatchObject({
      status: 422,
      body: { detail: expect.stringMatching(/9 × 9 pixels is too small/) as string },
    });
    expect(await looked({ ...whole, width: 9000, height: 9000 })).toMatchObject({
      status: 422,
      body: { detail: expect.stringMatching(/81 megapixels/) as string },
    });
    expect((await studio.call('POST', '/scans/nothing/seams', { frame: whole })).status).toBe(404);
  });
});
