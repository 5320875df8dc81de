import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxAround, rotationMatrix, transform } from '../geometry/index.ts';
import { pathBounds, tracePath } from '../motif/index.ts';
import { FIGURE_KINDS, type Piece, type ShapeRecipe } from '../recipe/index.ts';
import { combinePaths } from './combine.ts';
import { type Figure, measured } from './figure.ts';
import { FIGURES } from './figures.ts';
import { Pen } from './pen.ts';
import { EmptyShapeError, pieceOutline, shapeArtwork } from './shapeArtwork.ts';
import { transformPath } from './transformPath.ts';
import { variations } from './variations.ts';

/** Words as a box of their size, since no font is at hand here. */
const letter = (_font: string, text: string, { size = 0 }: Readonly<Record<string, number>>): string =>
  text
    ? new Pen()
        .move(-size, -size / 2)
        .line(size, -size / 2)
        .line(size, size / 2)
        .line(-size, size / 2)
        .close()
        .toString()
    : '';
const piece = (figure: Piece['figure'], rest: Partial<Piece> = {}): Piece => ({
  figure,
  values: {},
  text: 'Low Tide',
  font: 'bench',
  x: 0,
  y: 0,
  rotation: 0,
  combine: 'lay',
  fill: { ink: '#b3402e', fade: null },
  outline: null,
  ...rest,
});
const recipe = (...pieces: Piece[]): ShapeRecipe => ({ kind: 'shape', pieces });
const DRAWN = FIGURE_KINDS.filter((kind) => kind !== 'lettering');

/** Any measures that a figure can have. */
function anyValues(figure: Figure): fc.Arbitrary<Record<string, number>> {
  return fc.record(
    Object.fromEntries(
      figure.measures.map(({ key, least, most, whole }) => [
        key,
        whole ? fc.integer({ min: least, max: most }) : fc.double({ min: least, max: most, noNaN: true }),
      ]),
    ),
  );
}

/** Area by Green's theorem over the path cut into short chords, each loop by its own sign. */
function area(path: string): number {
  let sum = 0;
  let [x, y, x0, y0] = [0, 0, 0, 0];
  const to = (px: number, py: number): void => {
    sum += x * py - px * y;
    [x, y] = [px, py];
  };
  const along = (at: (t: number) => [number, number]): void => {
    for (let n = 1; n <= 64; n += 1) to(...at(n / 64));
  };
  tracePath(path, {
    moveTo: (px, py) => void ([x, y, x0, y0] = [px, py, px, py]),
    lineTo: to,
    quadraticCurveTo: (cx, cy, px, py) => {
      const [ax, ay] = [x, y];
      along((t) => [
        (1 - t) ** 2 * ax + 2 * (1 - t) * t * cx + t * t * px,
        (1 - t) ** 2 * ay + 2 * (1 - t) * t * cy + t * t * py,
      ]);
    },
    bezierCurveTo: (c1x, c1y, c2x, c2y, px, py) => {
      const [ax, ay] = [x, y];
      const at = (t: number, p0: number, p1: number, p2: number, p3: number): number =>
        (1 - t) ** 3 * p0 + 3 * (1 - t) ** 2 * t * p1 + 3 * (1 - t) * t * t * p2 + t ** 3 * p3;
      along((t) => [at(t, ax, c1x, c2x, px), at(t, ay, c1y, c2y, py)]);
    },
    closePath: () => to(x0, y0),
  });
  return Math.abs(sum) / 2;
}

/** How often a path of straight lines goes round a point. */
function winding(path: string, px: number, py: number): number {
  let turns = 0;
  let [x, y, x0, y0] = [0, 0, 0, 0];
  const to = (u: number, v: number): void => {
    if (y <= py !== v <= py && (px - x) * (v - y) < (u - x) * (py - y) === v > y) turns += v > y ? 1 : -1;
    [x, y] = [u, v];
  };
  const straight = (): never => {
    throw new Error('a path of straight lines was expected');
  };
  tracePath(path, {
    moveTo: (u, v) => void ([x, y, x0, y0] = [u, v, u, v]),
    lineTo: to,
    quadraticCurveTo: straight,
    bezierCurveTo: straight,
    closePath: () => to(x0, y0),
  });
  return turns;
}

describe('the figures', () => {
  it('are whole paths whatever their measures', () => {
    for (const kind of DRAWN) {
      const figure = FIGURES[kind];
      fc.assert(
        fc.property(anyValues(figure), (values) => {
          const box = pathBounds(figure.outline(measured(figure, values)));
          expect(box, kind).toBeDefined();
          expect(Object.values(box ?? {}).every(Number.isFinite), kind).toBe(true);
        }),
        { numRuns: kind === 'leaf' ? 15 : 60 },
      );
    }
  });

  it('are as wide and as high as is asked', () => {
    const sized = ['dot', 'pebble', 'wave', 'drop'] as const;
    for (const kind of sized) {
      const { left, right, top, bottom } = pathBounds(
        FIGURES[kind].outline(
          measured(FIGURES[kind], { width: 40, height: 30, rise: 20, band: 10, rough: 0, waist: 0 }),
        ),
      ) ?? { left: 0, right: 0, top: 0, bottom: 0 };
      // A smooth line through the corners of a stone bulges a little beyond them.
      expect(right - left, kind).toBeCloseTo(40, kind === 'pebble' ? -0.5 : 4);
      expect(bottom - top, kind).toBeCloseTo(30, kind === 'pebble' ? -0.5 : 4);
    }
  });

  it('are the same for the same seed, and other for another', () => {
    const outline = (seed: number): string => FIGURES.pebble.outline(measured(FIGURES.pebble, { seed }));
    expect(outline(5)).toBe(outline(5));
    expect(outline(5)).not.toBe(outline(6));
  });

  it('of petals and stars look alike after a turn by one of them', () => {
    for (const [kind, key, n] of [
      ['petals', 'count', 7],
      ['star', 'points', 5],
      ['polygon', 'sides', 6],
    ] as const) {
      const path = FIGURES[kind].outline(measured(FIGURES[kind], { [key]: n, eye: 0 }));
      const points = (text: string): string[] => {
        const found: string[] = [];
        const add = (x: number, y: number): void => void found.push(`${Math.round(x * 1e4)},${Math.round(y * 1e4)}`);
        tracePath(text, {
          moveTo: add,
          lineTo: add,
          quadraticCurveTo: (_a, _b, x, y) => add(x, y),
          bezierCurveTo: (_a, _b, _c, _d, x, y) => add(x, y),
          closePath: () => undefined,
        });
        return [...new Set(found)].sort();
      };
      const close = (a: string, b: string): boolean =>
        a.split(',').every((v, i) => Math.abs(Number(v) - Number(b.split(',')[i])) <= 1);
      const turned = points(transformPath(path, rotationMatrix(360 / n)));
      for (const point of points(path))
        expect(
          turned.some((other) => close(point, other)),
          `${kind} ${point}`,
        ).toBe(true);
    }
  });

  it('keep their measures within what is possible', () => {
    expect(measured(FIGURES.polygon, { width: 1e9, sides: 2.2, round: -5 })).toEqual({
      width: 400,
      sides: 3,
      round: 0,
    });
  });
});

describe('two outlines', () => {
  const square = (x: number, y: number, side: number): string =>
    new Pen()
      .move(x, y)
      .line(x + side, y)
      .line(x + side, y + side)
      .line(x, y + side)
      .close()
      .toString();

  it('are joined, cut, overlapped and told apart by exactly what each covers', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: -7, max: 11 }),
        fc.integer({ min: -7, max: 11 }),
        fc.integer({ min: 1, max: 9 }),
        (a, x, y, b) => {
          const [one, other] = [square(0, 0, a), square(x, y, b)];
          const covers = (path: string) => (u: number, v: number) => winding(path, u, v) !== 0;
          const [inOne, inOther] = [covers(one), covers(other)];
          const made = {
            join: covers(combinePaths(one, other, 'join')),
            cut: covers(combinePaths(one, other, 'cut')),
            overlap: covers(combinePaths(one, other, 'overlap')),
            exclude: covers(combinePaths(one, other, 'exclude')),
          };
          for (let u = -8.5; u < 22; u += 1) {
            for (let v = -8.5; v < 22; v += 1) {
              const [p, q] = [inOne(u, v), inOther(u, v)];
              expect({
                join: made.join(u, v),
                cut: made.cut(u, v),
                overlap: made.overlap(u, v),
                exclude: made.exclude(u, v),
              }).toEqual({ join: p || q, cut: p && !q, overlap: p && q, exclude: p !== q });
            }
          }
        },
      ),
      { numRuns: 30 },
    );
  });

  it('keep their curves', () => {
    const disc = new Pen().ellipse(0, 0, 10, 10).toString();
    const half = combinePaths(disc, square(0, -20, 40), 'cut');
    expect(half).toContain('C');
    expect(area(half)).toBeCloseTo(area(disc) / 2, 1);
  });

  it('of which one is nothing are the other, or nothing', () => {
    const one = square(0, 0, 5);
    expect(combinePaths('', one, 'join')).toBe(one);
    expect(combinePaths(one, '', 'cut')).toBe(one);
    expect(combinePaths('', one, 'cut')).toBe('');
    expect(combinePaths(one, '', 'overlap')).toBe('');
  });
});

describe('a built motif', () => {
  it('takes fill and outline of a joined shape from the piece that it begins with', () => {
    const { nodes } = shapeArtwork(
      recipe(
        piece('dot', { outline: { ink: '#1f2430', width: 1 } }),
        piece('dot', { x: 8, combine: 'join', fill: { ink: '#c9a227', fade: null } }),
        piece('dot', { x: 40 }),
      ),
      letter,
    );
    expect(nodes).toHaveLength(2);
    const [joined] = nodes;
    expect(joined?.kind === 'path' && joined.fill).toEqual({ kind: 'ink', ink: '#b3402e', opacity: 1 });
    expect(joined?.kind === 'path' && pathBounds(joined.path)).toMatchObject({ left: -8, right: 16 });
  });

  it('shows all of its outlines’ width', () => {
    const { view } = shapeArtwork(
      recipe(piece('dot', { values: { width: 20, height: 10 }, outline: { ink: '#1f2430', width: 2 } })),
      letter,
    );
    expect([view.x, view.y, view.width, view.height].map((n) => Math.round(n * 1e6) / 1e6)).toEqual([-11, -6, 22, 12]);
  });

  it('lays each piece where its place and its turn say', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DRAWN),
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.constantFrom(0, 90, 180, 270),
        (figure, x, y, turn) => {
          const lying = pathBounds(pieceOutline(piece(figure, { x, y, rotation: turn }), letter));
          const own = pathBounds(pieceOutline(piece(figure), letter));
          if (!own) throw new Error('a figure has an outline');
          const corners = [
            { x: own.left, y: own.top },
            { x: own.right, y: own.bottom },
          ]
            .map((p) => transform(rotationMatrix(turn), p))
            .map((p) => ({ x: p.x + x, y: p.y + y }));
          for (const [key, value] of Object.entries(boxAround(corners)))
            expect(lying?.[key as 'left']).toBeCloseTo(value, 4);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('fades across the whole of a piece, from full to what is left', () => {
    const { nodes } = shapeArtwork(
      recipe(
        piece('dot', {
          values: { width: 30, height: 50 },
          x: 5,
          fill: { ink: '#3e7a5e', fade: { angle: 90, rest: 0.2 } },
        }),
      ),
      letter,
    );
    const [node] = nodes;
    if (node?.kind !== 'path' || node.fill?.kind !== 'linear') throw new Error('it does not fade');
    const at = (t: number) =>
      transform(node.fill?.kind === 'linear' ? node.fill.matrix : rotationMatrix(0), { x: t, y: 0 });
    expect(at(0).x).toBeCloseTo(5, 9);
    expect(at(0).y).toBeCloseTo(-25, 9);
    expect(at(1).y).toBeCloseTo(25, 9);
    expect(node.fill.stops.map(({ opacity }) => opacity)).toEqual([1, 0.2]);
  });

  it('of which nothing is left is refused with a sentence', () => {
    expect(() => shapeArtwork(recipe(piece('dot'), piece('dot', { combine: 'cut' })), letter)).toThrow(EmptyShapeError);
    expect(() => shapeArtwork(recipe(piece('lettering', { text: '' })), letter)).toThrow(/leave nothing to see/);
    expect(() => shapeArtwork(recipe(piece('dot', { fill: null })), letter)).toThrow(EmptyShapeError);
  });

  it('has alternatives that can all be drawn, the same for the same seed', () => {
    fc.assert(
      fc.property(fc.constantFrom(...FIGURE_KINDS), fc.integer({ min: 1, max: 500 }), (figure, seed) => {
        const base = recipe(piece(figure), piece('dot', { x: 30, combine: 'join' }));
        const others = variations(base, seed, 5);
        expect(others).toHaveLength(5);
        expect(others).toEqual(variations(base, seed, 5));
        for (const other of others) {
          expect(shapeArtwork(other, letter).nodes.length).toBeGreaterThan(0);
          const { measures } = FIGURES[figure];
          for (const { key, least, most } of measures) {
            const value = other.pieces[0]?.values[key] as number;
            expect(value >= least && value <= most, `${figure} ${key} ${value}`).toBe(true);
          }
        }
      }),
      { numRuns: 40 },
    );
  });
});
