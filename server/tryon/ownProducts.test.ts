import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { Product } from '../../core/tryon/index.ts';
import { onCushion, useTryOnStudio } from '../testing/tryOnStudio.ts';

const { spirals, call, create, exported } = useTryOnStudio();

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
