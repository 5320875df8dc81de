import { describe, expect, it } from 'vitest';
import type { Artwork, ArtworkNode } from '../motif/index.ts';
import { drawnSize, outlineProduct, resized } from './outlineProduct.ts';
import { bulging, firstFace, flattened, markedFault, photoLight, photoProduct, rimOf } from './photoProduct.ts';
import { productSchema } from './product.ts';
import { productDrawingSchema } from './stage.ts';
import { tryOnSchema } from './tryOn.ts';
import { markedSchema } from './marked.ts';
import { FIRST_WALL } from './rolls.ts';
import { wallProduct } from './wallProduct.ts';

const path = (data: string, rest: object = {}): ArtworkNode => ({
  kind: 'path',
  path: data,
  rule: 'nonzero',
  strokeFirst: false,
  fill: { kind: 'ink', ink: '#22304a', opacity: 1 },
  ...rest,
});
const line = {
  paint: { kind: 'ink', ink: '#000000', opacity: 1 },
  width: 1,
  cap: 'butt',
  join: 'miter',
  miterLimit: 4,
  dash: [],
  dashOffset: 0,
} as const;
const artwork = (...nodes: ArtworkNode[]): Artwork => ({
  version: 1,
  view: { x: 0, y: 0, width: 200, height: 100 },
  nodes,
});
const fits = ({ product, drawing }: ReturnType<typeof outlineProduct>): void => {
  productSchema.validateSync(product, { strict: true });
  productDrawingSchema.validateSync(drawing, { strict: true });
};

describe('a product of a drawing', () => {
  it('has a piece for each closed shape, lies flat at its size, and keeps lines on top', () => {
    const drawn = outlineProduct(
      'own',
      'Bunting',
      artwork(
        path('M0 0L90 0L45 80Z'),
        {
          kind: 'group',
          matrix: [1, 0, 0, 1, 100, 0],
          opacity: 1,
          children: [path('M0 0L90 0L45 80Z', { stroke: line })],
        },
        path('M0 90L200 90', { fill: undefined, stroke: line }),
      ),
      500,
    );
    fits(drawn);
    const { product, drawing } = drawn;
    expect(product.pieces.map(({ name }) => name)).toEqual(['Piece 1', 'Piece 2']);
    expect(drawing.over.nodes).toHaveLength(2);
    expect(drawnSize(product)?.width).toBeCloseTo(500, 9);
    expect(drawnSize(product)?.height).toBeCloseTo(250, 9);
    expect(product.size).toBe('500 × 250 mm');
  });

  it('of one rectangle is nothing but its cloth, in the pixels of a screen', () => {
    const banner = outlineProduct('own', 'Banner', artwork(path('M0 0L200 0L200 100L0 100Z')), (1280 * 25.4) / 96);
    fits(banner);
    expect(banner.product.width).toBeCloseTo(1280, 9);
    expect(banner.product.height).toBeCloseTo(640, 9);
    expect(drawnSize(banner.product)?.width).toBeCloseTo((1280 * 25.4) / 96, 9);
    const others = [
      [path('M0 0L200 0L200 100L0 99Z')],
      [path('M0 0L200 0L200 100L0 100Z', { stroke: line })],
      [path('M10 0L200 0L200 100L10 100Z')],
      [path('M0 0L200 0L200 100L0 100Z'), path('M50 50L90 50L70 80Z')],
      [path('M0 50Q0 0 100 0Q200 0 200 50Q200 100 100 100Q0 100 0 50Z')],
    ];
    for (const nodes of others) expect(outlineProduct('own', 'Other', artwork(...nodes), 300).product.margin).toBe(60);
  });

  it('is made larger as a whole', () => {
    const { product } = outlineProduct('own', 'Flag', artwork(path('M0 0L200 0L200 100L0 100Z')), 300);
    const twice = resized(product, 2);
    expect(drawnSize(twice)?.width).toBeCloseTo(600, 9);
    expect(twice.size).toBe('600 × 300 mm');
    expect(twice.pieces[0]?.datum.x).toBeCloseTo(2 * (product.pieces[0]?.datum.x ?? NaN), 9);
    expect(product.pieces[0]?.name).toBe('Flag');
  });

  it('is refused in a sentence where no shape is closed', () => {
    const open = path('M0 0L90 0L45 80', { fill: undefined, stroke: line });
    expect(() => outlineProduct('own', 'Line', artwork(open), 300)).toThrow(/no closed outline/);
    // Lines that come back to where they began enclose something, and so does what is filled.
    for (const closed of [
      path('M0 0L90 0L45 80L0 0', { fill: undefined, stroke: line }),
      path('M0 0L90 0L45 80'),
      path('M0 0L90 0L45 80Z', { fill: undefined, stroke: line }),
    ])
      expect(outlineProduct('own', 'Flag', artwork(closed), 300).product.pieces).toHaveLength(1);
  });

  it('takes the largest shapes for pieces where there are too many, and shows the rest as drawn', () => {
    const dots = Array.from({ length: 40 }, (_, n) =>
      path(`M${n * 5} 0L${n * 5 + 1 + n / 20} 0L${n * 5} ${1 + n / 20}Z`),
    );
    const drawn = outlineProduct('own', 'Dots', artwork(...dots), 300);
    fits(drawn);
    expect(drawn.product.pieces).toHaveLength(24);
    expect(drawn.drawing.over.nodes).toHaveLength(16);
  });
});

describe('a product of a photograph', () => {
  const photo = { blob: `${'a'.repeat(64)}.png`, width: 400, height: 300 };

  it('has its marked faces for pieces, hung from their middles', () => {
    const marked = { faces: [firstFace(photo)], light: 0.6 };
    markedSchema.validateSync(marked, { strict: true });
    const drawn = photoProduct('own', 'Shop', photo, marked, { light: `${'b'.repeat(64)}.png`, masks: {} });
    fits(drawn);
    expect(drawn.product.pieces[0]).toMatchObject({ datum: { x: 200, y: 150 }, face: { width: 400, height: 300 } });
  });

  it('can bulge: a grid of points that shows the same until it is pulled', () => {
    const { face } = firstFace(photo);
    const bulge = bulging(face);
    const marked = { faces: [{ id: 'face-1', name: 'Vase', face: bulge }], light: 0 };
    markedSchema.validateSync(marked, { strict: true });
    fits(photoProduct('own', 'Vase', photo, marked, { light: photo.blob, masks: {} }));
    expect(flattened(bulge)).toEqual(face);
    const rim = rimOf(bulge);
    expect(Math.min(...rim.map(({ x }) => x))).toBeCloseTo(100, 6);
    expect(Math.max(...rim.map(({ y }) => y))).toBeCloseTo(225, 6);
    expect(markedFault(bulge)).toBeUndefined();
    const crossed = bulge.kind === 'mesh' && { ...bulge, points: bulge.points.map(({ x }) => ({ x, y: 50 })) };
    expect(crossed && markedFault(crossed)).toMatch(/lie in a line/);
  });

  it('lends its cloth the light that differs from its faces’ own middle brightness', () => {
    // A grey face with a darker fold, beside something bright that is not on it.
    const levels = [128, 128, 128, 64, 255];
    const pixels = Uint8ClampedArray.from(levels.flatMap((level) => [level, level, level, 255]));
    const light = photoLight(pixels, (n) => n < 4);
    const factor = (n: number): number => ((light[n * 4] as number) / 255) * 2;
    expect(factor(0)).toBeCloseTo(1, 2);
    // (64 / 128) in sRGB is a fifth of the light.
    expect(factor(3)).toBeCloseTo(0.24, 1);
    expect(factor(4)).toBe(2);
  });
});

describe('a wall', () => {
  it('is as large as it is told, with a door where there is room for one', () => {
    fits(wallProduct({ width: 4000, height: 2600 }));
    fits(wallProduct({ width: 900, height: 900 }));
    const count = (width: number): number => wallProduct({ width, height: 2400 }).drawing.over.nodes.length;
    expect(count(3600)).toBeGreaterThan(count(2000));
    expect(count(2000)).toBeGreaterThan(count(1000));
    expect(
      tryOnSchema.isValidSync(
        {
          version: 1,
          name: 'Hall',
          product: 'wall',
          source: { design: 'd' },
          scale: 1,
          rotation: 0,
          pieces: [],
          wall: FIRST_WALL,
        },
        { strict: true },
      ),
    ).toBe(true);
  });
});
