import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { newDesign } from '../../core/document/index.ts';
import { UPRIGHT } from '../../core/geometry/index.ts';
import { step } from '../../core/lattice/index.ts';
import { FIGURE_KINDS, type Part } from '../../core/recipe/index.ts';
import { leafAt } from '../../core/testing/arbitraries.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';
import { readArtwork } from '../store/keptArtwork.ts';

let studio: TestStudio;
beforeAll(async () => {
  studio = await openTestStudio();
});
afterAll(() => studio.close());

interface Made {
  readonly id: string;
  readonly width: number;
  readonly artwork: string;
  readonly view: { readonly x: number; readonly width: number; readonly height: number };
  readonly inks: readonly string[];
  readonly recipe: unknown;
}

const svg = (body: string, size = 40): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${size}mm" height="${size}mm" viewBox="0 0 40 40">${body}</svg>`;
const part = (motif: string, rest: Partial<Part> = {}): Part => ({ motif, ...UPRIGHT, opacity: 1, ...rest });
const piece = (figure: string, rest: object = {}) => ({
  figure,
  values: {},
  text: 'Low Tide',
  font: 'logbook',
  x: 0,
  y: 0,
  rotation: 0,
  combine: 'lay',
  fill: { ink: '#b3402e', fade: null },
  outline: null,
  ...rest,
});

let drawn = 0;
async function square(): Promise<string> {
  drawn += 1;
  const { body } = await studio.send(
    `square ${drawn}.svg`,
    svg(`<rect width="40" height="40" fill="#22304a"/><circle cx="20" cy="20" r="${drawn / 10}" fill="#b5442f"/>`),
  );
  return (body['motif'] as Made).id;
}
const made = (recipe: unknown, name = 'Made') =>
  studio.call('POST', '/motifs/made', { name, collection: 'Made', recipe });
const remade = (id: string, recipe: unknown) => studio.call('PUT', `/motifs/${id}/recipe`, { recipe });
const bundle = async (...parts: Part[]): Promise<Made> =>
  (await made({ kind: 'bundle', parts })).body as unknown as Made;
const listed = async (id: string): Promise<Made & { uses: number; deleted: boolean }> =>
  (await studio.call('GET', `/motifs/${id}`)).body as unknown as Made & { uses: number; deleted: boolean };

describe('a bundle', () => {
  it('is as large as its parts about its middle, in their inks', async () => {
    const one = await square();
    const { view, width, inks } = await bundle(part(one, { x: -30 }), part(one, { x: 30, scale: 0.5 }));
    [view.x, view.width, view.height, width].forEach((n, i) =>
      expect(n).toBeCloseTo([-50, 100, 40, 100][i] as number, 9),
    );
    expect(inks).toEqual(['#22304a', '#b5442f']);
  });

  it('follows its parts, through bundles in bundles, and keeps by how much it was resized', async () => {
    const one = await square();
    const inner = await bundle(part(one));
    const outer = await bundle(part(inner.id, { x: 20 }));
    expect(outer.width).toBe(80);
    await studio.call('PATCH', `/motifs/${outer.id}`, { width: 160 });
    await studio.call('PATCH', `/motifs/${one}`, { width: 20 });
    expect((await listed(inner.id)).width).toBe(20);
    // 20 ± 10 mm about its middle, twice as large as it was made.
    expect((await listed(outer.id)).width).toBe(120);
    await studio.fetch(`/motifs/${one}/artwork?name=new.svg`, {
      method: 'PUT',
      body: svg('<rect width="40" height="40" fill="#00ff00"/>'),
    });
    expect((await listed(outer.id)).inks).toEqual(['#00ff00']);
  });

  it('lies in bundles four deep, not five', async () => {
    let id = await square();
    for (let depth = 0; depth < 4; depth += 1) id = (await bundle(part(id))).id;
    const { status, body } = await made({ kind: 'bundle', parts: [part(id)] });
    expect(status).toBe(422);
    expect(body['detail']).toMatch(/at most 4 deep.*Nothing was changed/);
  });

  it('never lies in itself, near or far', async () => {
    const one = await square();
    const inner = await bundle(part(one));
    const outer = await bundle(part(inner.id));
    for (const parts of [[part(inner.id)], [part(outer.id)], [part(one), part(outer.id)]]) {
      const { status, body } = await remade(inner.id, { kind: 'bundle', parts });
      expect(status).toBe(422);
      expect(body['detail']).toMatch(/would lie in itself. Nothing was changed/);
    }
    expect((await listed(inner.id)).recipe).toEqual({ kind: 'bundle', parts: [part(one)] });
  });

  it('of what is not there is refused', async () => {
    expect((await made({ kind: 'bundle', parts: [part('nobody')] })).body['detail']).toMatch(/is not in the studio/);
  });

  it('keeps what it is made of in reach, and counts the designs that show it', async () => {
    const one = await square();
    const inner = await bundle(part(one), part(one, { x: 50 }));
    await studio.call('DELETE', `/motifs/${one}`);
    expect((await listed(one)).deleted).toBe(true);
    const design = {
      ...newDesign('d-bundle', 'With a bundle', { width: 200, height: 200, step: step('square') }),
      placements: [{ ...leafAt('a', {}), motif: inner.id }],
    };
    await studio.call('POST', '/designs', { name: 'With a bundle', document: design });
    expect((await listed(one)).uses).toBe(1);
    const uses = (await studio.call('GET', `/motifs/${one}/uses`)).body as unknown as { name: string; count: number }[];
    expect(uses).toMatchObject([{ name: 'With a bundle', count: 1 }]);
  });
});

describe('motifs that are combined', () => {
  it('are one shape, or cut by each other, follow their parts, and say so where nothing is left', async () => {
    const [below, above] = [await square(), await square()];
    const combined = async (combining: string, by: number) =>
      made({ kind: 'bundle', parts: [part(below), part(above, { x: by })], combining });
    const joined = (await combined('join', 30)).body as unknown as Made;
    expect(joined.inks).toEqual(['#22304a']);
    const cut = (await combined('cut', 30)).body as unknown as Made;
    expect(new Set(cut.inks)).toEqual(new Set(['#22304a', '#b5442f']));
    await studio.call('PATCH', `/motifs/${above}`, { width: 20 });
    const smaller = await listed(cut.id);
    expect(smaller.artwork).not.toBe(cut.artwork);
    // What would leave nothing of it is refused, and changes nothing.
    const { status, body } = await studio.call('PATCH', `/motifs/${above}`, { width: 400 });
    expect([status, body['detail']]).toEqual([422, expect.stringMatching(/^Nothing is left to see\./) as string]);
    expect((await listed(above)).width).toBe(20);
    expect((await listed(cut.id)).artwork).toBe(smaller.artwork);
    for (const [combining, by] of [
      ['cut', 0],
      ['overlap', 90],
    ] as const) {
      await studio.call('PATCH', `/motifs/${above}`, { width: 40 });
      const { status, body } = await combined(combining, by);
      expect([status, body['detail']]).toEqual([
        422,
        'Nothing is left to see. Nothing was changed; lay them over each other, or combine them in another way.',
      ]);
    }
    expect((await combined('melt', 0)).status).toBe(400);
  });
});

describe('an array', () => {
  it('follows its motif and that of its corners, and is held by both', async () => {
    const [side, corner] = [await square(), await square()];
    const layout = { kind: 'frame', width: 200, height: 100, across: 3, down: 1, corner };
    const recipe = { kind: 'array', motif: side, layout, turn: 0, growth: 0, varyRotation: 0, varyScale: 0, seed: 1 };
    const array = (await made(recipe, 'Frame')).body as unknown as Made;
    // From the middle of a corner to that across from it, and half a square of 40 mm on each side.
    expect(array.view).toMatchObject({ width: 240, height: 140 });
    await studio.call('PATCH', `/motifs/${corner}`, { width: 80 });
    expect((await listed(array.id)).view).toMatchObject({ width: 280, height: 180 });
    await studio.call('PATCH', `/motifs/${side}`, { width: 10 });
    expect((await listed(array.id)).artwork).not.toBe(array.artwork);
    // Neither is in itself, and what is not there is refused.
    expect((await remade(side, { ...recipe, motif: array.id })).status).toBe(422);
    expect((await made({ ...recipe, motif: 'nothing' })).status).toBe(422);
    expect((await made({ ...recipe, layout: { ...layout, across: 5000 } })).status).toBe(400);
  });
});

describe('a built motif', () => {
  it('is made by its numbers, and changed by them for ever after', async () => {
    const { body } = await made({ kind: 'shape', pieces: [piece('dot', { values: { width: 30, height: 10 } })] });
    const motif = body as unknown as Made;
    expect([motif.width, motif.view.height]).toEqual([30, 10]);
    await studio.call('PATCH', `/motifs/${motif.id}`, { width: 60 });
    const changed = (
      await remade(motif.id, { kind: 'shape', pieces: [piece('dot', { values: { width: 40, height: 10 } })] })
    ).body as unknown as Made;
    expect(changed.width).toBe(80);
    expect((await listed(motif.id)).artwork).toBe(changed.artwork);
  });

  it('of words is outlined in each of the fonts that ship with it', async () => {
    for (const font of ['bench', 'chandler', 'logbook']) {
      const { status, body } = await made({
        kind: 'shape',
        pieces: [piece('lettering', { font, values: { size: 20 } })],
      });
      expect(status).toBe(201);
      const artwork = await readArtwork(studio.studio.blobs, (body as unknown as Made).artwork);
      expect(artwork.nodes[0]?.kind === 'path' && artwork.nodes[0].path.length).toBeGreaterThan(300);
      expect((body as unknown as Made).width).toBeGreaterThan(40);
    }
  });

  it('of nothing is refused with a sentence', async () => {
    const { status, body } = await made({ kind: 'shape', pieces: [piece('dot'), piece('dot', { combine: 'cut' })] });
    expect(status).toBe(422);
    expect(body['detail']).toMatch(/leave nothing to see/);
  });

  it('never fails with anything but a sentence, whatever the recipe', async () => {
    const anyPiece = fc.record({
      figure: fc.oneof(fc.constantFrom(...FIGURE_KINDS), fc.string()),
      values: fc.dictionary(
        fc.constantFrom('width', 'height', 'count', 'seed', 'bites', '__proto__', 'x'),
        fc.oneof(fc.double({ min: -1e4, max: 1e4, noNaN: true }), fc.constant('wide')),
      ),
      text: fc.string({ maxLength: 45 }),
      font: fc.constantFrom('bench', 'logbook', '../secret'),
      x: fc.double({ min: -1e6, max: 1e6, noNaN: true }),
      y: fc.double({ min: -100, max: 100, noNaN: true }),
      rotation: fc.constantFrom(0, 45, 400),
      combine: fc.constantFrom('lay', 'join', 'cut', 'overlap', 'exclude', 'melt'),
      fill: fc.option(fc.record({ ink: fc.constantFrom('#b3402e', 'red'), fade: fc.constant(null) })),
      outline: fc.option(
        fc.record({ ink: fc.constant('#1f2430'), width: fc.double({ min: -1, max: 5, noNaN: true }) }),
      ),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(anyPiece, { maxLength: 3 }), async (pieces) => {
        const { status, body } = await made({ kind: 'shape', pieces });
        expect([201, 400, 422]).toContain(status);
        if (status !== 201) expect(String(body['detail'])).toMatch(/\w+.*\./);
      }),
      { numRuns: 60 },
    );
    expect(studio.log.filter((line) => line.includes('Error'))).toEqual([]);
  });
});

describe('merged inks', () => {
  it('change the artwork from the original each time, and come back', async () => {
    const { body } = await studio.send(
      'near.svg',
      svg(
        '<rect width="20" height="40" fill="#b3402e"/><rect x="20" width="20" height="40" fill="#b4412f"/><circle cx="20" cy="20" r="5" fill="#1f2430"/>',
      ),
    );
    const motif = body['motif'] as Made;
    expect(motif.inks).toHaveLength(3);
    const merged = (await remade(motif.id, { kind: 'merged', original: motif.artwork, within: 3 }))
      .body as unknown as Made;
    expect(merged.inks).toEqual(['#b3402e', '#1f2430']);
    expect(merged.width).toBe(motif.width);
    const apart = (await remade(motif.id, { kind: 'merged', original: motif.artwork, within: 0 }))
      .body as unknown as Made;
    expect([apart.inks, apart.artwork]).toEqual([motif.inks, motif.artwork]);
    expect(
      (await remade(motif.id, { kind: 'merged', original: `${'0'.repeat(64)}.json`, within: 3 })).body['detail'],
    ).toMatch(/not kept here/);
  });
});

describe('a collection as a file', () => {
  it('is read elsewhere as it was written: drawings, built motifs, bundles, sizes and tags', async () => {
    const one = await square();
    await studio.call('PATCH', `/motifs/${one}`, {
      name: 'Buoy / “red”',
      width: 55,
      tags: ['hero'],
      collection: 'Harbour',
    });
    const built = (
      await studio.call('POST', '/motifs/made', {
        name: 'Drop',
        collection: 'Harbour',
        recipe: { kind: 'shape', pieces: [piece('drop')] },
      })
    ).body as unknown as Made;
    const outside = await square();
    const both = (
      await studio.call('POST', '/motifs/made', {
        name: 'Both',
        collection: 'Harbour',
        recipe: {
          kind: 'bundle',
          parts: [part(one), part(built.id, { x: 40, rotation: 30 }), part(outside, { y: 50 })],
        },
      })
    ).body as unknown as Made;
    const answer = await studio.fetch('/collections/file?name=Harbour');
    expect(answer.headers.get('content-disposition')).toContain('Harbour.zip');
    const zip = Buffer.from(await answer.arrayBuffer());

    const elsewhere = await openTestStudio();
    try {
      const send = async () =>
        (await (await elsewhere.fetch('/collections', { method: 'POST', body: zip })).json()) as {
          name: string;
          motifs: string[];
          known: number;
        };
      expect(await send()).toMatchObject({ name: 'Harbour', known: 0 });
      const there = (await elsewhere.call('GET', '/motifs')).body['motifs'] as (Made & {
        name: string;
        tags: string[];
        collection: string;
        thumbnail: string;
      })[];
      expect(there.map(({ name }) => name).sort()).toEqual([
        'Both',
        'Buoy / “red”',
        'Drop',
        expect.stringMatching(/^Square/),
      ]);
      const read = new Map(there.map((motif) => [motif.name, motif]));
      expect(read.get('Buoy / “red”')).toMatchObject({ width: 55, tags: ['hero'], collection: 'Harbour' });
      expect(read.get('Both')?.view).toEqual(both.view);
      // The same pixels: the small picture has the same content, so the same address.
      expect(read.get('Both')?.thumbnail).toBe(((await listed(both.id)) as unknown as { thumbnail: string }).thumbnail);
      // Brought a second time, nothing is taken twice.
      expect((await send()).known).toBe(4);
      expect((await elsewhere.call('GET', '/motifs')).body).toMatchObject({ total: 4 });
    } finally {
      await elsewhere.close();
    }
  });

  it('that is spoilt is refused with a sentence', async () => {
    const zip = Buffer.from(await (await studio.fetch('/collections/file?name=Made')).arrayBuffer());
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.record({ at: fc.nat(zip.length - 1), byte: fc.nat(255) }), { minLength: 1, maxLength: 30 }),
        fc.integer({ min: 1, max: zip.length }),
        async (changes, length) => {
          const spoilt = Buffer.from(zip.subarray(0, length));
          for (const { at, byte } of changes) if (at < spoilt.length) spoilt[at] = byte;
          const answer = await studio.fetch('/collections', { method: 'POST', body: spoilt });
          expect([201, 413, 415, 422]).toContain(answer.status);
          const body = (await answer.json()) as { detail?: string };
          if (answer.status !== 201) expect(body.detail).toMatch(/\w+.*\./);
        },
      ),
      { numRuns: 25 },
    );
    expect((await studio.fetch('/collections/file?name=Nowhere')).status).toBe(404);
  });
});
