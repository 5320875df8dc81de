import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { latticeOf, latticeTranslate, type Repeat } from '../../core/lattice/index.ts';
import type { Artwork } from '../../core/motif/index.ts';
import { seeded } from '../../core/random/index.ts';
import {
  dress,
  dressRoughly,
  type Face,
  faceMap,
  type PatternPyramid,
  prepareStage,
  type Product,
  type ProductDrawing,
  pyramidOf,
  sceneSize,
} from '../../core/tryon/index.ts';
import { nodeBackend } from '../paint/nodeBackend.ts';
import { checkers, crossings, FILL, linear, nothing } from '../testing/checkers.ts';

/** A product of one piece that fills its whole picture. */
function sheetOf(face: Face, width: number, height: number): [Product, ProductDrawing] {
  const piece = { id: 'sheet', name: 'Sheet', face, grain: 0, datum: { x: 0, y: 0 } };
  const product: Product = {
    version: 1,
    id: 'sheet',
    name: 'Sheet',
    group: 'own',
    size: '',
    width,
    height,
    backdrop: '#000000',
    pieces: [piece],
  };
  const outline: Artwork = {
    ...nothing(width, height),
    nodes: [
      {
        kind: 'path',
        path: `M0 0L${width} 0L${width} ${height}L0 ${height}Z`,
        rule: 'nonzero',
        strokeFirst: false,
        fill: { kind: 'ink', ink: '#000000', opacity: 1 },
      },
    ],
  };
  const empty = nothing(width, height);
  return [product, { under: empty, light: empty, over: empty, outlines: [{ id: 'sheet', artwork: outline }] }];
}

/** Half the light is taken from the left of a sheet of 160 × 120. */
const SHADE: Artwork = {
  ...nothing(160, 120),
  nodes: [
    {
      kind: 'path',
      path: 'M0 0L80 0L80 120L0 120Z',
      rule: 'nonzero',
      strokeFirst: false,
      fill: { kind: 'ink', ink: '#000000', opacity: 0.5 },
    },
  ],
};

/** The whole picture of a product in a pattern, its longer side in pixels: linear light, 0 to 1. */
function dressed(
  [product, drawing]: readonly [Product, ProductDrawing],
  side: number,
  pattern: PatternPyramid,
  fill = FILL,
) {
  const { width, height, scale } = sceneSize(product, side);
  const stage = prepareStage(product, drawing, { left: 0, top: 0, right: width, bottom: height }, scale, nodeBackend());
  const pixels = dress(stage, new Map(product.pieces.map(({ id }) => [id, { pattern, fill }])));
  return {
    width,
    height,
    scale,
    stage,
    pixels,
    light: (x: number, y: number): number => linear(pixels[(y * width + x) * 4] as number),
  };
}

describe('a pattern at an angle', () => {
  const face: Face = {
    kind: 'plane',
    corners: [
      { x: 210, y: 40 },
      { x: 560, y: 150 },
      { x: 540, y: 420 },
      { x: 60, y: 560 },
    ],
    width: 300,
    height: 250,
  };

  it('has its lines within 0.2 px of where they belong, and straight within 0.3 px', () => {
    const sheet = sheetOf(face, 600, 600);
    const { width, light } = dressed(sheet, 1200, checkers(50));
    const { toCloth, toScene } = faceMap(face);
    const out = new Float64Array(2);
    // Along upright edges of the squares, row by row, where they cross no level edge.
    for (const u of [50, 100, 150, 200, 250]) {
      const points: { x: number; y: number }[] = [];
      for (let v = 8; v < 250; v += 1.5) {
        if (Math.abs((v % 50) - 25) > 17) continue;
        const at = toScene(u, v);
        const [px, py] = [at.x * 2, Math.floor(at.y * 2)];
        const from = Math.floor(px) - 4;
        if (from < 0 || from + 9 > width) continue;
        const [cross] = crossings(9, (n) => light(from + n, py));
        expect(cross).toBeDefined();
        const seen = { x: from + (cross ?? 0), y: py + 0.5 };
        // How far the point of the picture is from the line, in pixels: by the cloth there, and how much of it a pixel shows.
        toCloth(seen.x / 2, seen.y / 2, out);
        const off = (out[0] as number) - u;
        toCloth((seen.x + 1) / 2, seen.y / 2, out);
        const perPixel = (out[0] as number) - u - off;
        expect(Math.abs(off / perPixel)).toBeLessThan(0.2);
        points.push(seen);
      }
      expect(points.length).toBeGreaterThan(20);
      expect(largestOffLine(points)).toBeLessThan(0.3);
    }
  });
});

/** By how much points leave the straight line through them that fits best: x as a line over y. */
function largestOffLine(points: readonly { x: number; y: number }[]): number {
  const n = points.length;
  const [mx, my] = [points.reduce((s, p) => s + p.x, 0) / n, points.reduce((s, p) => s + p.y, 0) / n];
  const slope =
    points.reduce((s, p) => s + (p.x - mx) * (p.y - my), 0) / points.reduce((s, p) => s + (p.y - my) ** 2, 0);
  return Math.max(...points.map((p) => Math.abs(p.x - mx - slope * (p.y - my)) / Math.hypot(1, slope)));
}

describe('a dressed product', () => {
  const face: Face = { kind: 'flat', x: 10, y: 12, unit: 0.5, rotation: 20 };
  const sheet = sheetOf(face, 160, 120);

  it('does not change where a pattern is moved by its own lattice', () => {
    const repeat: Repeat = { width: 24, height: 32, step: { kind: 'half-drop', drop: { p: 1, q: 2 } } };
    const lattice = latticeOf(repeat);
    const random = seeded(4);
    const tile = new Uint8ClampedArray(48 * 32 * 4);
    // A half-drop tile: its right half is its left one, half a cell lower.
    for (let y = 0; y < 32; y += 1)
      for (let x = 0; x < 24; x += 1) {
        const colour = [random(), random(), random()].map((share) => Math.floor(share * 256));
        tile.set([...colour, 255], (y * 48 + x) * 4);
        tile.set([...colour, 255], (((y + 16) % 32) * 48 + x + 24) * 4);
      }
    const pattern = { grid: { scaleX: 1, scaleY: 1 }, levels: pyramidOf(tile, 48, 32) };
    fc.assert(
      fc.property(
        fc.integer({ min: -3, max: 3 }),
        fc.integer({ min: -3, max: 3 }),
        fc.constantFrom(0, 30, -75),
        fc.constantFrom(0.4, 1, 1.7),
        (i, j, rotation, scale) => {
          const by = latticeTranslate(lattice, { i, j });
          const angle = (rotation * Math.PI) / 180;
          const moved = {
            x: scale * (by.x * Math.cos(angle) - by.y * Math.sin(angle)),
            y: scale * (by.x * Math.sin(angle) + by.y * Math.cos(angle)),
          };
          const [before, after] = [{ x: 0, y: 0 }, moved].map(
            (at) => dressed(sheet, 160, pattern, { ...FILL, rotation, scale, ...at }).pixels,
          );
          const difference = before?.reduce(
            (most, level, n) => Math.max(most, Math.abs(level - (after?.[n] as number))),
            0,
          );
          // The sums of a pixel's light differ by their rounding.
          expect(difference).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('is the same in one go and in parts', () => {
    const [product, drawing] = sheet;
    const { width, height, scale } = sceneSize(product, 480);
    const pattern = checkers(4);
    const part = (top: number, bottom: number): Uint8ClampedArray =>
      dress(
        prepareStage(product, drawing, { left: 0, top, right: width, bottom }, scale, nodeBackend()),
        new Map([['sheet', { pattern, fill: { ...FILL, rotation: 12 } }]]),
      );
    const whole = part(0, height);
    const parts = [part(0, 101), part(101, 102), part(102, height)];
    const joined = Buffer.concat(parts.map((pixels) => Buffer.from(pixels.buffer)));
    let most = 0;
    whole.forEach((level, n) => (most = Math.max(most, Math.abs(level - (joined[n] as number)))));
    expect(most).toBeLessThanOrEqual(1);
  });

  it('is white cloth where nothing is printed, and takes its light from the drawing in linear light', () => {
    const [product, drawing] = sheet;
    const { width, scale } = sceneSize(product, 160);
    const stage = prepareStage(
      product,
      { ...drawing, light: SHADE },
      { left: 0, top: 0, right: 160, bottom: 120 },
      scale,
      nodeBackend(),
    );
    const pixels = dress(stage, new Map([['sheet', { pattern: undefined, fill: FILL }]]));
    expect(pixels[(60 * width + 120) * 4]).toBe(255);
    // Half the light, which is far more than half the number.
    expect(linear(pixels[(60 * width + 40) * 4] as number)).toBeCloseTo(0.5, 1);
  });

  it('is about the same while the hand moves: itself where it is near, its mean from afar, and in the same light', () => {
    const [product, drawing] = sheet;
    const { width, height, scale } = sceneSize(product, 480);
    const window = { left: 0, top: 0, right: width, bottom: height };
    const stage = prepareStage(product, { ...drawing, light: SHADE, over: SHADE }, window, scale, nodeBackend());
    const apart = (mm: number, pattern: PatternPyramid | undefined, rotation: number, size = 1): number => {
      const fill = { ...FILL, rotation, x: mm, scale: size };
      const dressings = new Map([['sheet', { pattern, fill }]]);
      const [fine, rough] = [dress(stage, dressings), dressRoughly(stage, dressings)];
      return rough.reduce((sum, level, n) => sum + Math.abs(level - (fine[n] as number)), 0) / fine.length;
    };
    // Bare cloth is the same to the bit, and large squares are but for their edges.
    expect(apart(0, undefined, 0)).toBe(0);
    expect(apart(3, checkers(40), 0)).toBeLessThan(3);
    expect(apart(3, checkers(40), 33)).toBeLessThan(4);
    // Squares far smaller than a pixel are grey.
    expect(apart(1, checkers(1), 0, 0.04)).toBeLessThan(6);
  });
});
