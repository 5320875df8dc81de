import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { boxAround, rotationMatrix, transform } from '../geometry/index.ts';
import { pathBounds, Pen } from '../motif/index.ts';
import { type Fade, FIGURE_KINDS, type Piece, type ShapeRecipe, stopsTo } from '../recipe/index.ts';
import { fadeLine, withFadeEnd, withStopAt } from './fade.ts';
import { FIGURES } from './figures.ts';
import { EmptyShapeError, pieceOutline, shapeArtwork } from './shapeArtwork.ts';
import { variations } from './variations.ts';
import { DRAWN } from '../testing/shapeFixtures.ts';

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
    const fill = { ink: '#3e7a5e', fade: { kind: 'across', angle: 90, stops: stopsTo('#3e7a5e', 0.2) } } as const;
    const { nodes } = shapeArtwork(recipe(piece('dot', { values: { width: 30, height: 50 }, x: 5, fill })), letter);
    const [node] = nodes;
    if (node?.kind !== 'path' || node.fill?.kind !== 'linear') throw new Error('it does not fade');
    const { from, to, stops } = node.fill;
    for (const [found, wanted] of [
      [from, [5, -25]],
      [to, [5, 25]],
    ] as const)
      expect(found.map((n) => n.toFixed(9))).toEqual(wanted.map((n) => n.toFixed(9)));
    expect(stops.map(({ opacity }) => opacity)).toEqual([1, 0.2]);
  });

  it('glows from a middle that moves with its piece', () => {
    const stops = [
      { offset: 0, ink: '#f4ecdc', opacity: 1 },
      { offset: 0.4, ink: '#d8a63a', opacity: 0.6 },
      { offset: 1, ink: '#d8a63a', opacity: 0 },
    ] as const;
    const fade: Fade = { kind: 'glow', middle: { x: 2, y: -3 }, radius: 12, stops };
    const { nodes } = shapeArtwork(recipe(piece('dot', { x: 10, y: 20, fill: { ink: '#f4ecdc', fade } })), letter);
    expect(nodes[0]).toMatchObject({ fill: { kind: 'radial', centre: [12, 17], focus: [12, 17], radius: 12, stops } });
  });

  it('has fades whose ends go where they are dragged, and stops that pass none of their neighbours', () => {
    const coordinate = fc.double({ min: -50, max: 50, noNaN: true });
    const point = fc.record({ x: coordinate, y: coordinate });
    const box = { left: -20, top: -10, right: 30, bottom: 15 };
    const fades = fc.oneof(
      fc.record({ kind: fc.constant('across' as const), angle: fc.integer({ min: -180, max: 180 }) }),
      fc.record({ kind: fc.constant('line' as const), from: point, to: point }),
      fc.record({
        kind: fc.constant('glow' as const),
        middle: point,
        radius: fc.double({ min: 1, max: 40, noNaN: true }),
      }),
    );
    fc.assert(
      fc.property(fades, point, point, fc.constantFrom('from', 'to'), (shape, place, at, end) => {
        const fade: Fade = { ...shape, stops: stopsTo('#3e7a5e', 0) };
        const before = fadeLine(fade, box, place);
        const moved = withFadeEnd(fade, before, end, at, place);
        const line = fadeLine(moved, box, place);
        const other = end === 'from' ? 'to' : 'from';
        if (fade.kind === 'glow' && end === 'to') {
          const radius = Math.max(0.1, Math.hypot(at.x - before.from.x, at.y - before.from.y));
          expect(line.to.x - line.from.x).toBeCloseTo(radius, 9);
          expect(line.from).toEqual(before.from);
          return;
        }
        expect(Math.hypot(line[end].x - at.x, line[end].y - at.y)).toBeLessThan(1e-9);
        if (fade.kind !== 'glow')
          expect(Math.hypot(line[other].x - before[other].x, line[other].y - before[other].y)).toBeLessThan(1e-9);
      }),
    );
    const share = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(share, { minLength: 2, maxLength: 8 }),
        fc.nat(7),
        fc.double({ min: -2, max: 3, noNaN: true }),
        (offsets, n, to) => {
          const stops = offsets
            .sort((a, b) => a - b)
            .map((offset) => ({ offset, ink: '#3e7a5e', opacity: 1 }) as const);
          const moved = withStopAt(stops, n % stops.length, to).map(({ offset }) => offset);
          expect(moved).toEqual([...moved].sort((a, b) => a - b));
          for (const offset of moved) expect(offset >= 0 && offset <= 1).toBe(true);
        },
      ),
    );
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
