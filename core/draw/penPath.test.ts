import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { drawnArtwork } from '../drawn/index.ts';
import { compose, invert, rotationMatrix, scalingMatrix, translationMatrix } from '../geometry/index.ts';
import { pathBounds } from '../motif/index.ts';
import { movedStroke } from './drawnStroke.ts';
import { cornerAt, type Knot, knotsOf } from './pathKnots.ts';
import { levelled, pathLines, pathStroke, pullHandles } from './penPath.ts';
import { outlinesOf } from './strokeBox.ts';
import { awayFrom, BRUSH, straight } from './testing/hands.ts';

const place = fc.double({ min: -100, max: 100, noNaN: true });
const point = fc.record({ x: place, y: place });
const knot = fc.tuple(point, point, point).map(([{ x, y }, into, out]): Knot => ({ x, y, into, out }));
const path = fc.record({
  // Points that lie on each other are one.
  knots: fc.uniqueArray(knot, {
    minLength: 2,
    maxLength: 6,
    selector: ({ x, y }) => `${Math.round(x)} ${Math.round(y)}`,
  }),
  closed: fc.boolean(),
});
const SQUARE = {
  knots: [
    [0, 0],
    [20, 0],
    [20, 20],
    [0, 20],
  ].map(([x = 0, y = 0]) => cornerAt({ x, y })),
  closed: true,
};

describe('a path of the pen', () => {
  it('is the same after it was moved there and back', () => {
    fc.assert(
      fc.property(path, point, fc.integer({ min: 0, max: 359 }), (open, { x, y }, degrees) => {
        const stroke = pathStroke(BRUSH, open);
        if (!stroke) return;
        const matrix = compose(translationMatrix(x, y), compose(rotationMatrix(degrees), scalingMatrix(1.5, 1.5)));
        const back = movedStroke(movedStroke(stroke, matrix), invert(matrix) ?? matrix);
        const [before, after] = [knotsOf(stroke.points), knotsOf(back.points)];
        expect(after).toHaveLength(before.length);
        before.forEach((line, l) => {
          expect(after[l]?.closed).toBe(line.closed);
          line.knots.forEach((one, k) => {
            expect(after[l]?.knots[k]?.x).toBeCloseTo(one.x, 1);
            expect(after[l]?.knots[k]?.out.y).toBeCloseTo(one.out.y, 1);
          });
        });
        expect(back.width).toBeCloseTo(stroke.width, 9);
      }),
    );
  });

  it('becomes a path with a line, whose points are those that were set, and a fill on wish', () => {
    const stroke = pathStroke({ ...BRUSH, width: 2, fill: '#d8a63a' }, SQUARE);
    if (!stroke) throw new Error('it is no stroke');
    const { nodes, view } = drawnArtwork({ kind: 'drawn', strokes: [stroke] });
    expect(nodes).toHaveLength(1);
    expect(nodes[0]).toMatchObject({ kind: 'path', fill: { ink: '#d8a63a' }, stroke: { width: 2, join: 'round' } });
    const [node] = nodes;
    expect(node?.kind === 'path' && knotsOf(node.path)[0]?.knots.map(({ x, y }) => [x, y])).toEqual([
      [0, 0],
      [20, 0],
      [20, 20],
      [0, 20],
    ]);
    // Its view holds the width of its line, too.
    expect(view.width / 2).toBeGreaterThanOrEqual(21);
    expect(pathStroke(BRUSH, { knots: SQUARE.knots.slice(0, 1), closed: false })).toBeUndefined();
  });

  it('becomes a shape where a rubber cuts it', () => {
    const stroke = pathStroke({ ...BRUSH, width: 2 }, { knots: SQUARE.knots.slice(0, 2), closed: false });
    if (!stroke) throw new Error('it is no stroke');
    const rubber = straight({ x: 10, y: -10 }, { x: 10, y: 10 }, 4, 'rubber');
    const [node] = drawnArtwork({ kind: 'drawn', strokes: [stroke, rubber] }).nodes;
    if (node?.kind !== 'path') throw new Error('it is no path');
    expect(node.stroke).toBeUndefined();
    expect(node.path.match(/M/g)).toHaveLength(2);
    expect(pathBounds(node.path)?.top).toBeCloseTo(-1, 1);
  });

  it('covers what lies within half its width', () => {
    const stroke = pathStroke({ ...BRUSH, width: 4 }, SQUARE);
    if (!stroke) throw new Error('it is no stroke');
    const [line] = pathLines(stroke.points);
    if (!line) throw new Error('it has no line');
    expect(line[0]).toEqual(line.at(-1));
    for (const at of outlinesOf(stroke).flat()) expect(awayFrom(line, at)).toBeLessThan(2.3);
  });

  it('has smooth points where they are pulled, and level ones where that is asked', () => {
    const pulled = pullHandles({ knots: [cornerAt({ x: 5, y: 5 })], closed: false }, { x: 9, y: 8 }, false);
    expect(pulled.knots[0]).toEqual({ x: 5, y: 5, out: { x: 9, y: 8 }, into: { x: 1, y: 2 } });
    const alone = pullHandles({ knots: [cornerAt({ x: 5, y: 5 })], closed: false }, { x: 9, y: 8 }, true);
    expect(alone.knots[0]?.into).toEqual({ x: 5, y: 5 });
    fc.assert(
      fc.property(point, point, (from, to) => {
        const { x, y } = levelled(from, to);
        const [dx, dy] = [Math.abs(x - from.x), Math.abs(y - from.y)];
        expect(Math.min(dx, dy, Math.abs(dx - dy))).toBeLessThan(1e-9 * (1 + dx + dy));
      }),
    );
  });
});
