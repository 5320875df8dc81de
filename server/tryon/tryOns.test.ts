import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { Job } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { type Product, type TryOn, tryOnSchema } from '../../core/tryon/index.ts';
import { SAMPLE_TRY_ONS } from '../../demo/tryOns.ts';
import { useSpirals } from '../testing/spirals.ts';
import { shippedProducts } from './shippedProducts.ts';

const spirals = useSpirals();
const call = (method: string, path: string, body?: unknown) => spirals.hevrel.call(method, path, body);
const ended = (answer: { readonly body: unknown }): Promise<Job> => spirals.hevrel.ended(answer.body as Job);

const onCushion = (source: TryOn['source'], rest: Partial<TryOn> = {}): TryOn => ({
  version: 1,
  name: 'Spirals on a cushion',
  product: 'cushion',
  source,
  scale: 1,
  rotation: 0,
  pieces: [],
  ...rest,
});

async function create(tryOn: TryOn): Promise<string> {
  const { status, body } = await call('POST', '/try-ons', { tryOn });
  expect(status).toBe(201);
  return body['id'] as string;
}

/** What comes out of exporting try-ons. */
async function exported(tryOns: readonly string[], format = 'png', side = 300, more: object = {}) {
  const job = await ended(await call('POST', '/try-ons/files', { tryOns, format, side, ...more }));
  expect(job.message, job.state).toBe(null);
  const result = job.result as {
    href: string;
    fileName: string;
    files: { width: number; height: number; fileName: string }[];
  };
  const file = Buffer.from(await (await spirals.hevrel.fetch(result.href.replace('/api', ''))).arrayBuffer());
  return { ...result, file };
}

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
    for (const wrong of [
      onCushion({ design: 'd', swatch: 's' }),
      onCushion({}),
      onCushion({ design: 'd' }, { scale: 1e9 }),
      onCushion({ design: 'd' }, { scale: Number.NaN }),
      { ...onCushion({ design: 'd' }), more: 1 },
    ])
      expect((await call('POST', '/try-ons', { tryOn: wrong })).status).toBe(400);
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
    expect((await call('GET', '/patterns')).status).toBe(400);
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
    expect(await refuse({ format: 'pdf' })).toEqual([400, expect.stringContaining('a PDF needs to know its paper')]);
    expect(await refuse({ format: 'png' })).toEqual([400, expect.stringContaining('the length of its side')]);
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

describe('a product of the studio’s own', () => {
  const send = (name: string, content: Buffer | string) =>
    spirals.hevrel.fetch(`/products?name=${encodeURIComponent(name)}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/octet-stream' },
      body: new Uint8Array(Buffer.from(content)),
    });
  const flag =
    '<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="60mm" viewBox="0 0 90 60"><path d="M0 0H90V60H0Z"/></svg>';

  it('is made of a drawing at its size, made larger, deleted and restored', async () => {
    const answer = await send('Flag.svg', flag);
    expect(answer.status).toBe(201);
    const product = (await answer.json()) as Product;
    expect(product).toMatchObject({ name: 'Flag', size: '90 × 60 mm', group: 'own' });
    expect((await call('PATCH', `/products/${product.id}`, { by: 3, name: 'Big flag' })).body).toMatchObject({
      name: 'Big flag',
      size: '270 × 180 mm',
    });
    const far = await call('PATCH', `/products/${product.id}`, { by: 1000 });
    expect(far.status === 200 || far.status === 422).toBe(true);
    expect((await call('PATCH', `/products/${product.id}`, { by: 1000 })).status).toBe(422);
    const id = await create(onCushion({ design: 'none' }, { product: product.id }));
    expect((await call('DELETE', `/products/${product.id}`)).status).toBe(204);
    expect((await call('GET', '/products')).body).not.toContainEqual(expect.objectContaining({ id: product.id }));
    // What was tried on it is still there.
    expect((await exported([id])).files).toHaveLength(1);
    expect((await call('POST', `/products/${product.id}/restore`)).status).toBe(204);
    expect((await call('DELETE', '/products/mug')).status).toBe(404);
    expect((await call('PATCH', '/products/mug', { name: 'Cup' })).status).toBe(404);
  });

  it(
    'is refused in a sentence where it is no drawing, damaged, too large, or has nothing to fill',
    { timeout: 120_000 },
    async () => {
      const detail = async (answer: Response): Promise<string> => ((await answer.json()) as { detail: string }).detail;
      const none = await send('words.svg', 'no drawing');
      expect([none.status, await detail(none)]).toEqual([415, expect.stringContaining('is no SVG and no photograph')]);
      const open = await send('open.svg', flag.replace('M0 0H90V60H0Z', 'M0 0L90 60" fill="none" stroke="#000'));
      expect([open.status, await detail(open)]).toEqual([422, expect.stringContaining('no closed outline')]);
      const png = await sharp({ create: { width: 30, height: 20, channels: 3, background: '#888' } })
        .png()
        .toBuffer();
      const cut = await send('cut.png', png.subarray(0, 60));
      expect([cut.status, await detail(cut)]).toEqual([422, expect.stringContaining('damaged or cut short')]);
      // The header alone says 110 megapixels.
      const vast = await sharp({
        create: { width: 11_000, height: 10_000, channels: 3, background: '#888' },
        limitInputPixels: false,
      })
        .png({ compressionLevel: 1 })
        .toBuffer();
      const large = await send('vast.png', vast);
      expect([large.status, await detail(large)]).toEqual([413, expect.stringContaining('100 megapixels')]);
      expect((await call('POST', '/products/of-motif', { motif: 'none' })).status).toBe(404);
    },
  );

  it('is a photograph with its faces, which have to be faces', { timeout: 120_000 }, async () => {
    const photo = await sharp({ create: { width: 300, height: 200, channels: 3, background: '#888888' } })
      .jpeg()
      .toBuffer();
    const product = (await (await send('Shop.jpg', photo)).json()) as Product;
    const read = (await call('GET', `/products/${product.id}/photograph`)).body as unknown as {
      marked: {
        faces: {
          id: string;
          name: string;
          face: { kind: 'plane'; corners: { x: number; y: number }[]; width: number; height: number };
        }[];
        light: number;
      };
    };
    const [face] = read.marked.faces;
    const mark = (corners: unknown): ReturnType<typeof call> =>
      call('PUT', `/products/${product.id}/photograph`, {
        ...read.marked,
        faces: [{ ...face, face: { ...face?.face, corners } }],
      });
    const line = [10, 100, 200, 290].map((x) => ({ x, y: 50 }));
    const refused = await mark(line);
    expect([refused.status, refused.body['detail']]).toEqual([422, expect.stringContaining('lie in a line')]);
    const marked = await mark([
      { x: 40, y: 20 },
      { x: 250, y: 60 },
      { x: 240, y: 180 },
      { x: 30, y: 150 },
    ]);
    expect(marked.status).toBe(200);
    expect(marked.body['pieces']).toMatchObject([{ face: { kind: 'plane', corners: [{ x: 40, y: 20 }, {}, {}, {}] } }]);
    expect((await call('PATCH', `/products/${product.id}`, { by: 2 })).status).toBe(409);
    const design = await spirals.create();
    const { file } = await exported([await create(onCushion({ design: design.id }, { product: product.id }))]);
    const at = async (left: number, top: number): Promise<number[]> => [
      ...(await sharp(file).extract({ left, top, width: 1, height: 1 }).raw().toBuffer()),
    ];
    // The photograph is seen beside the face.
    for (const level of await at(5, 190)) expect(Math.abs(level - 0x88)).toBeLessThan(3);
    expect(await at(140, 100)).not.toEqual(await at(5, 190));
    const corners = [
      { x: 40, y: 20 },
      { x: 250, y: 60 },
      { x: 240, y: 180 },
      { x: 30, y: 150 },
    ];
    // All of it is hidden, but for a stroke through its middle.
    const mask = [
      { kind: 'all', shows: false },
      {
        kind: 'stroke',
        shows: true,
        width: 20,
        points: [
          { x: 60, y: 100 },
          { x: 220, y: 110 },
        ],
      },
    ];
    const masked = { ...read.marked, faces: [{ ...face, face: { ...face?.face, corners }, mask }] };
    expect((await call('PUT', `/products/${product.id}/photograph`, masked)).status).toBe(200);
    const again = await call('GET', `/products/${product.id}/photograph`);
    expect(again.body).toMatchObject({ marked: { faces: [{ mask }] } });
    const covered = await exported([await create(onCushion({ design: design.id }, { product: product.id }))]);
    const levels = await sharp(covered.file).removeAlpha().raw().toBuffer();
    const isPhoto = (x: number, y: number): boolean => Math.abs((levels[(y * 300 + x) * 3] as number) - 0x88) < 3;
    for (const [x, y] of [
      [140, 60],
      [140, 140],
      [60, 40],
    ] as const)
      expect(isPhoto(x, y), `${x} ${y}`).toBe(true);
    const shown = Array.from({ length: 120 }, (_, n) => !isPhoto(80 + n, 104)).filter(Boolean).length;
    expect(shown).toBeGreaterThan(60);
  });
});
