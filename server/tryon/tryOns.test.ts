import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { Design } from '../../core/document/index.ts';
import { type Product, tryOnSchema } from '../../core/tryon/index.ts';
import { SAMPLE_TRY_ONS } from '../../demo/tryOns.ts';
import { onCushion, useTryOnStudio } from '../testing/tryOnStudio.ts';
import { shippedProducts } from './shippedProducts.ts';

const { spirals, call, ended, create, exported } = useTryOnStudio();

async function saveSwatch(design: Design, revision: number, as: object): Promise<string> {
  const job = await ended(await call('POST', '/swatches', { design: design.id, revision, ...as }));
  return (job.result as { swatch: string }).swatch;
}

describe('the products that ship', () => {
  it('are eighteen, each with a drawing whose pieces have outlines', { timeout: 120_000 }, async () => {
    expect(shippedProducts().size).toBeGreaterThanOrEqual(16);
    const { body } = await call('GET', '/products');
    expect((body as unknown as Product[]).map(({ id }) => id)).toEqual([...shippedProducts().keys(), 'wall']);
    for (const { id, pieces } of shippedProducts().values()) {
      const { status, body: read } = await call('GET', `/products/${id}`);
      expect(status, id).toBe(200);
      const { outlines } = read['drawing'] as { outlines: { id: string; artwork: { nodes: unknown[] } }[] };
      expect(outlines.map((outline) => outline.id)).toEqual(pieces.map((piece) => piece.id));
      for (const { artwork } of outlines) expect(artwork.nodes, id).not.toEqual([]);
    }
    const drawn = await spirals.hevrel.fetch('/products/mug/picture');
    expect(drawn.headers.get('content-type')).toContain('image/svg+xml');
    const picture = await spirals.hevrel.fetch('/products/wall/picture');
    expect(await sharp(Buffer.from(await picture.arrayBuffer())).metadata()).toMatchObject({
      format: 'webp',
      width: 320,
    });
  });

  it('have the samples’ try-ons on them', () => {
    for (const { tryOn } of SAMPLE_TRY_ONS) {
      expect(tryOnSchema.isValidSync(tryOn, { strict: true })).toBe(true);
      expect(shippedProducts().has(tryOn.product) || tryOn.product === 'wall', tryOn.name).toBe(true);
    }
  });
});

describe('a try-on', () => {
  it('is kept, saved over its revision, deleted and restored', async () => {
    const design = await spirals.create();
    const tryOn = onCushion({ design: design.id });
    const id = await create(tryOn);
    expect((await call('GET', `/try-ons/${id}`)).body).toEqual({ id, revision: 1, tryOn });
    const turned = { ...tryOn, rotation: 45 };
    expect((await call('PUT', `/try-ons/${id}`, { revision: 1, tryOn: turned })).body).toEqual({ revision: 2 });
    const late = await call('PUT', `/try-ons/${id}`, { revision: 1, tryOn });
    expect(late.status).toBe(409);
    expect(late.body['detail']).toMatch(/changed in another window/);
    expect((await call('GET', `/try-ons/${id}`)).body).toMatchObject({ revision: 2, tryOn: turned });
    expect((await call('DELETE', `/try-ons/${id}`)).status).toBe(204);
    expect((await call('GET', `/try-ons/${id}`)).status).toBe(404);
    expect((await call('PUT', `/try-ons/${id}`, { revision: 2, tryOn })).status).toBe(404);
    expect((await call('POST', `/try-ons/${id}/restore`)).status).toBe(204);
    expect((await call('GET', '/try-ons')).body).toMatchObject([{ id, name: tryOn.name, product: 'cushion' }]);
  });

  it('is refused on a product that is not there, with two patterns at once, and at a size without end', async () => {
    expect((await call('POST', '/try-ons', { tryOn: onCushion({ design: 'd' }, { product: 'sofa' }) })).status).toBe(
      404,
    );
    for (const [wrong, status] of [
      [onCushion({ design: 'd', swatch: 's' }), 422],
      [onCushion({}), 422],
      [onCushion({ design: 'd' }, { scale: 1e9 }), 400],
      [onCushion({ design: 'd' }, { scale: Number.NaN }), 400],
      [{ ...onCushion({ design: 'd' }), more: 1 }, 400],
    ] as const)
      expect((await call('POST', '/try-ons', { tryOn: wrong })).status, JSON.stringify(wrong)).toBe(status);
  });

  it('follows the newest version of a swatch, or stays on one, as it was told', { timeout: 120_000 }, async () => {
    const design = await spirals.create();
    const swatch = await saveSwatch(design, 1, { name: 'Spirals' });
    const [follows, stays] = [await create(onCushion({ swatch })), await create(onCushion({ swatch, version: 1 }))];
    const before = await Promise.all([follows, stays].map(async (id) => (await exported([id])).file));
    expect(Buffer.compare(before[0] as Buffer, before[1] as Buffer)).toBe(0);
    const commands = [{ type: 'colour', ink: 'red', colour: '#00aa33', colourway: 'base' }];
    const changed = await call('PATCH', `/designs/${design.id}`, { save: 'to-green', revision: 1, commands });
    expect(changed.status, JSON.stringify(changed.body)).toBe(200);
    await saveSwatch(design, 2, { swatch });
    const after = await Promise.all([follows, stays].map(async (id) => (await exported([id])).file));
    expect(Buffer.compare(after[1] as Buffer, before[1] as Buffer)).toBe(0);
    expect(Buffer.compare(after[0] as Buffer, before[0] as Buffer)).not.toBe(0);
  });

  it('tells of its pattern only what is new', async () => {
    const design = await spirals.create();
    const path = `/patterns?design=${design.id}`;
    const { body } = await call('GET', path);
    expect(body).toMatchObject({ name: 'Spirals', pattern: { design: { id: design.id } } });
    const known = `&known=${encodeURIComponent(body['state'] as string)}`;
    expect((await call('GET', path + known)).body).toEqual({ name: 'Spirals', state: body['state'], pattern: null });
    await call('PATCH', `/designs/${design.id}`, {
      save: 'renamed-it',
      revision: 1,
      commands: [{ type: 'name', name: 'Shells' }],
    });
    expect((await call('GET', path + known)).body).toMatchObject({
      name: 'Shells',
      pattern: { design: { name: 'Shells' } },
    });
    expect((await call('GET', '/patterns')).status).toBe(422);
    expect((await call('GET', '/patterns?swatch=none')).status).toBe(404);
  });

  it('of a design that was deleted is painted in white cloth', async () => {
    const design = await spirals.create();
    const [there, gone] = [await create(onCushion({ design: design.id })), await create(onCushion({ design: 'gone' }))];
    const [cloth, white] = [await exported([there]), await exported([gone])];
    const middle = async (png: Buffer): Promise<number[]> => [
      ...(await sharp(png).extract({ left: 150, top: 110, width: 1, height: 1 }).raw().toBuffer()),
    ];
    const bare = await middle(white.file);
    for (const level of bare) expect(level).toBeGreaterThan(235);
    expect(await middle(cloth.file)).not.toEqual(bare);
  });

  it('goes out at the size that was asked for, several in one ZIP under names of their own', async () => {
    const design = await spirals.create();
    const ids = [
      await create(onCushion({ design: design.id })),
      await create(onCushion({ design: design.id }, { scale: 0.5 })),
    ];
    const one = await exported([ids[0] as string], 'jpeg', 640);
    expect(one).toMatchObject({ fileName: 'Spirals on a cushion.jpg', files: [{ width: 640, height: 480 }] });
    expect(await sharp(one.file).metadata()).toMatchObject({ format: 'jpeg', width: 640, height: 480 });
    const both = await exported(ids, 'webp', 64);
    expect(both.fileName).toBe('2 try-ons.zip');
    expect(new Set(both.files.map(({ fileName }) => fileName)).size).toBe(2);
    expect((await call('POST', '/try-ons/files', { tryOns: ['none'], format: 'png', side: 100 })).status).toBe(404);
    expect((await call('POST', '/try-ons/files', { tryOns: ids, format: 'png', side: 9000 })).status).toBe(400);
  });

  const sheet = { paper: 'a4', isWide: false, margin: 10, bleed: 3, marks: true, fill: false };

  it('goes out as shapes and on paper where it lies flat, and is refused with what helps where it does not', async () => {
    const design = await spirals.create();
    const apron = await create(onCushion({ design: design.id }, { product: 'apron', name: 'Cook' }));
    const svg = await exported([apron], 'svg', undefined);
    expect(svg.fileName).toBe('Cook.svg');
    expect(svg.file.toString()).toMatch(/^<svg .*<clipPath/s);
    const pdf = await exported([apron], 'pdf', undefined, { sheet });
    expect(pdf.file.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf.files).toMatchObject([{ fileName: 'Cook.pdf', width: 210, height: 297, sheets: expect.any(Number) }]);
    const refuse = async (body: object) => {
      const { status, body: problem } = await call('POST', '/try-ons/files', { tryOns: [apron], ...body });
      return [status, problem['detail']];
    };
    const bent = await create(onCushion({ design: design.id }));
    expect(await refuse({ tryOns: [bent], format: 'svg' })).toEqual([
      422,
      expect.stringMatching(/does not lie flat.*Choose PNG, JPEG or WebP.*Nothing was made/),
    ]);
    expect(await refuse({ format: 'pdf' })).toEqual([422, expect.stringContaining('a PDF needs to know its paper')]);
    expect(await refuse({ format: 'png' })).toEqual([422, expect.stringContaining('the length of its side')]);
    expect((await refuse({ format: 'pdf', sheet: { ...sheet, margin: 70 } }))[0]).toBe(400);
  });

  it('goes out in each colourway that is asked for, under its name', async () => {
    const design = await spirals.create();
    const colourways = design.colourways.map(({ id }) => id);
    const [base] = colourways as [string];
    const id = await create(onCushion({ design: design.id }));
    const { files } = await exported([id], 'webp', 64, { colourways: [base] });
    expect(files).toMatchObject([{ fileName: `Spirals on a cushion, ${design.colourways[0]?.name}.webp` }]);
    const none = await call('POST', '/try-ons/files', { tryOns: [id], format: 'png', side: 64, colourways: ['none'] });
    expect(none.status).toBe(404);
  });
});
