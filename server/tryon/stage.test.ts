import { describe, expect, it } from 'vitest';
import type { Artwork, ArtworkNode } from '../../core/motif/index.ts';
import {
  densityOn,
  dress,
  type Face,
  faceMap,
  MOST_TILE_PIXELS,
  pieceMap,
  pieceMasks,
  prepareStage,
  type Product,
  type ProductDrawing,
  sceneSize,
  tileDensity,
} from '../../core/tryon/index.ts';
import { nodeBackend } from '../paint/nodeBackend.ts';
import { checkers, crossings, FILL, linear, nothing } from '../testing/checkers.ts';

const filled = (path: string): ArtworkNode => ({
  kind: 'path',
  path,
  rule: 'nonzero',
  strokeFirst: false,
  fill: { kind: 'ink', ink: '#000000', opacity: 1 },
});
const box = (x: number, y: number, width: number, height: number): string =>
  `M${x} ${y}L${x + width} ${y}L${x + width} ${y + height}L${x} ${y + height}Z`;

/** A product of pieces, each with its face and its outline. */
function productOf(
  width: number,
  height: number,
  ...pieces: { readonly id: string; readonly face: Face; readonly path: string }[]
): [Product, ProductDrawing] {
  const layer = (...nodes: ArtworkNode[]): Artwork => ({ ...nothing(width, height), nodes });
  return [
    {
      version: 1,
      id: 'p',
      name: 'P',
      group: 'own',
      size: '',
      width,
      height,
      backdrop: '#000000',
      pieces: pieces.map(({ id, face }) => ({ id, name: id, face, grain: 0, datum: { x: 0, y: 0 } })),
    },
    {
      under: layer(),
      light: layer(),
      over: layer(),
      outlines: pieces.map(({ id, path }) => ({ id, artwork: layer(filled(path)) })),
    },
  ];
}
const stageOf = ([product, drawing]: [Product, ProductDrawing], side: number) => {
  const { width, height, scale } = sceneSize(product, side);
  return prepareStage(product, drawing, { left: 0, top: 0, right: width, bottom: height }, scale, nodeBackend());
};
const flat = (unit: number): Face => ({ kind: 'flat', x: 0, y: 0, unit, rotation: 0 });

describe('a stage', () => {
  it('is as large as its longer side, in the shape of its product', () => {
    expect(sceneSize({ width: 1200, height: 900 }, 400)).toEqual({ width: 400, height: 300, scale: 1 / 3 });
    expect(sceneSize({ width: 10, height: 1000 }, 50)).toMatchObject({ width: 1, height: 50 });
  });

  it('knows how finely each piece is seen: its nearest part decides', () => {
    // Two pixels to a unit, and a unit of half a millimetre: four pixels to one.
    const sheet = productOf(100, 80, { id: 'sheet', face: flat(0.5), path: box(10, 10, 60, 50) });
    expect(densityOn(stageOf(sheet, 200), 'sheet')).toBeCloseTo(4, 4);
    expect(densityOn(stageOf(sheet, 200), 'other')).toBe(0);
    const receding: Face = {
      kind: 'plane',
      corners: [
        { x: 40, y: 20 },
        { x: 60, y: 20 },
        { x: 100, y: 80 },
        { x: 0, y: 80 },
      ],
      width: 100,
      height: 400,
    };
    const floor = productOf(100, 80, { id: 'floor', face: receding, path: 'M40 20L60 20L100 80L0 80Z' });
    // At the near edge the whole width of 100 mm is 100 units wide, at one pixel each.
    expect(densityOn(stageOf(floor, 100), 'floor')).toBeGreaterThan(0.9);
    expect(densityOn(stageOf(floor, 100), 'floor')).toBeLessThan(2);
  });

  it('says which piece lies on top where, and how much of each is seen', () => {
    const product = productOf(
      100,
      80,
      { id: 'below', face: flat(2), path: box(10, 10, 60, 50) },
      { id: 'above', face: flat(3), path: box(40, 20, 50, 20) },
    );
    const map = pieceMap(stageOf(product, 100));
    const at = (x: number, y: number): number => map.top[y * map.width + x] as number;
    expect([at(5, 5), at(20, 30), at(50, 30), at(50, 50)]).toEqual([0, 1, 2, 1]);
    const [below, above] = map.extents;
    expect(below?.left).toBeCloseTo(21, 5);
    expect(below?.right).toBeCloseTo(139, 5);
    expect(above?.bottom).toBeCloseTo(118.5, 5);
  });

  it('shows the piece on top alone where two overlap', () => {
    const product = productOf(
      40,
      40,
      { id: 'below', face: flat(1), path: box(0, 0, 40, 40) },
      { id: 'above', face: flat(1), path: box(10, 10, 20, 20) },
    );
    const stage = stageOf(product, 40);
    // White cloth above, nothing but black squares below.
    const black = {
      ...checkers(10),
      levels: checkers(10).levels.map((level) => ({ ...level, data: level.data.map((v, i) => (i % 4 === 3 ? v : 0)) })),
    };
    const pixels = dress(
      stage,
      new Map([
        ['below', { pattern: black, fill: FILL }],
        ['above', { pattern: undefined, fill: FILL }],
      ]),
    );
    const level = (x: number, y: number): number => pixels[(y * 40 + x) * 4] as number;
    expect([level(5, 5), level(20, 20), level(35, 20)]).toEqual([0, 255, 0]);
  });
});

describe('a pattern around a cylinder', () => {
  it('keeps its lengths along the arc to 0.2 %, as they are seen in the pixels', () => {
    const face: Face = { kind: 'cylinder', x: 200, y: 40, scale: 2, pitch: 0, rotation: 0, height: 100, diameter: 160 };
    const mug = productOf(400, 300, { id: 'mug', face, path: box(40, 60, 320, 160) });
    const { width, scale } = sceneSize(mug[0], 1600);
    const row = Math.round((40 + 2 * 12.5) * scale);
    const stage = prepareStage(...mug, { left: 0, top: row, right: width, bottom: row + 1 }, scale, nodeBackend());
    const pixels = dress(stage, new Map([['mug', { pattern: checkers(5), fill: FILL }]]));
    const seen = crossings(width, (x) => linear(pixels[x * 4] as number));
    // In the middle part, where an edge of the squares takes less than a few pixels.
    const radius = 80;
    const arcs = seen
      .map((x) => ((x / scale - 200) / 2 / radius) as number)
      .filter((share) => Math.abs(share) < 0.9)
      .map((share) => radius * Math.asin(share));
    expect(arcs.length).toBeGreaterThan(25);
    const [first, last] = [arcs[0] as number, arcs.at(-1) as number];
    const edges = Math.round((last - first) / 5);
    expect(arcs).toHaveLength(edges + 1);
    expect(Math.abs((last - first) / (5 * edges) - 1)).toBeLessThan(0.002);
    for (const arc of arcs) expect(Math.abs(arc - 5 * Math.round(arc / 5))).toBeLessThan(0.1);
    // The cloth at the very edge of what is seen is a quarter of the way round.
    const out = new Float64Array(2);
    faceMap(face).toCloth(200 + 2 * radius, 100, out);
    expect(out[0]).toBeCloseTo((Math.PI * radius) / 2, 9);
  });
});

describe('pieces as cells', () => {
  it('take every cell that they touch, and are cut to themselves', () => {
    const product = productOf(
      100,
      80,
      { id: 'sheet', face: flat(2), path: box(10, 15, 30, 20) },
      { id: 'wedge', face: flat(2), path: 'M50 0L90 0L50 40Z' },
      {
        id: 'round',
        face: { kind: 'cylinder', x: 0, y: 0, scale: 1, pitch: 0, rotation: 0, height: 50, diameter: 50 },
        path: box(0, 50, 20, 20),
      },
    );
    const [sheet, wedge, ...rest] = pieceMasks(...product, 10, nodeBackend());
    // What is not flat cannot be cut from cloth as it is drawn.
    expect(rest).toEqual([]);
    expect([sheet?.id, sheet?.width, sheet?.height]).toEqual(['sheet', 6, 4]);
    expect(sheet?.cells.every((cell) => cell === 1)).toBe(true);
    expect([wedge?.width, wedge?.height]).toEqual([8, 8]);
    const taken = wedge?.cells.filter(Boolean).length ?? 0;
    expect(taken).toBeGreaterThanOrEqual(32);
    expect(taken).toBeLessThanOrEqual(36 + 8);
  });
});

describe('the density that a tile is painted with', () => {
  const repeat = { width: 240, height: 320, step: { kind: 'half-drop', drop: { p: 1, q: 2 } } } as const;

  it('is at least what is wished, in steps, and never more than fits', () => {
    for (const wished of [0.05, 0.3, 1, 2.2, 3.9]) {
      const density = tileDensity(repeat, wished);
      expect(density).toBeGreaterThanOrEqual(wished);
      expect(density).toBeLessThanOrEqual(wished * 1.4143);
    }
    expect(tileDensity(repeat, 2.01)).toBe(tileDensity(repeat, 2.5));
    const most = tileDensity(repeat, 1000);
    expect(most * most * 480 * 320).toBeLessThanOrEqual(MOST_TILE_PIXELS * 1.000001);
    expect(tileDensity(repeat, 0)).toBeGreaterThan(0);
  });
});
