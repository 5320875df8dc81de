import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compose, IDENTITY, type Point, rotationMatrix, transform, translationMatrix } from '../geometry/index.ts';
import { pathBounds, tracePath } from '../motif/index.ts';
import { type Brush, drawnRecipeSchema } from '../recipe/index.ts';
import { SQUARE, latticeOf, latticeTranslate, step } from '../lattice/index.ts';
import { drawnBy } from './drawingSymmetry.ts';
import { drawnArtwork, strokeNodes, strokesBox } from './drawnArtwork.ts';
import { drawnStroke, MOST_PEN_POINTS, movedStroke, strokeTouches } from './drawnStroke.ts';
import { groupStrokes } from './groupStrokes.ts';
import { instancesIn } from './instancesIn.ts';
import { decodePoints, encodePoints, type PenPoint } from './penPoint.ts';
import { strokeOutline } from './strokeOutline.ts';

const BRUSH: Brush = {
  width: 6,
  thinning: 0.5,
  pressure: 'pen',
  taperStart: 8,
  taperEnd: 12,
  smoothing: 0.5,
  roughness: 0,
  ink: '#22304a',
  opacity: 1,
  fill: null,
};
const real = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const brush: fc.Arbitrary<Brush> = fc.record({
  width: real(0.3, 30),
  thinning: real(-1, 1),
  pressure: fc.constantFrom('pen', 'speed', 'none'),
  taperStart: real(0, 40),
  taperEnd: real(0, 40),
  smoothing: real(0, 1),
  roughness: fc.constantFrom(0, 0.3, 1),
  ink: fc.constant('#22304a' as const),
  opacity: real(0.1, 1),
  fill: fc.constant(null),
});
/** A hand that wanders: what it does next depends on what it did. */
const hand = fc
  .array(fc.record({ turn: real(-0.6, 0.6), far: real(0.2, 4), pressure: real(0, 1) }), { minLength: 1, maxLength: 60 })
  .map((steps): PenPoint[] => {
    let [x, y, angle] = [0, 0, 0];
    return steps.map(({ turn, far, pressure }, n) => {
      angle += turn;
      x += far * Math.cos(angle);
      y += far * Math.sin(angle);
      return { x, y, time: n * 8, pressure };
    });
  });

/** Points along a path, near enough to each other to measure by. */
function sampled(path: string): Point[] {
  const points: Point[] = [];
  let at = { x: 0, y: 0 };
  const line = (x: number, y: number): void => {
    for (let n = 1; n <= 8; n += 1) points.push({ x: at.x + ((x - at.x) * n) / 8, y: at.y + ((y - at.y) * n) / 8 });
    at = { x, y };
  };
  tracePath(path, {
    moveTo: (x, y) => void points.push((at = { x, y })),
    lineTo: line,
    quadraticCurveTo: (_cx, _cy, x, y) => line(x, y),
    bezierCurveTo(ax, ay, bx, by, x, y) {
      const from = at;
      for (let n = 1; n <= 16; n += 1) {
        const [t, u] = [n / 16, 1 - n / 16];
        const [p, q, r, s] = [u ** 3, 3 * u * u * t, 3 * u * t * t, t ** 3];
        points.push({ x: p * from.x + q * ax + r * bx + s * x, y: p * from.y + q * ay + r * by + s * y });
      }
      at = { x, y };
    },
    closePath: () => undefined,
  });
  return points;
}
function awayFrom(line: readonly Point[], { x, y }: Point): number {
  let least = Infinity;
  line.forEach((p, n) => {
    const q = line[(n + 1) % line.length] as Point;
    const [dx, dy] = [q.x - p.x, q.y - p.y];
    const length = dx * dx + dy * dy;
    const t = length > 0 ? Math.min(1, Math.max(0, ((x - p.x) * dx + (y - p.y) * dy) / length)) : 0;
    least = Math.min(least, Math.hypot(x - p.x - t * dx, y - p.y - t * dy));
  });
  return least;
}

describe('the points of a stroke', () => {
  it('are read back as they were, to a hundredth, in few letters', () => {
    fc.assert(
      fc.property(hand, (points) => {
        const text = encodePoints(points);
        const back = decodePoints(text);
        expect(back).toHaveLength(points.length);
        back.forEach((point, n) => {
          const meant = points[n] as PenPoint;
          expect(Math.abs(point.x - meant.x)).toBeLessThan(0.00501);
          expect(Math.abs(point.y - meant.y)).toBeLessThan(0.00501);
          expect(Math.abs(point.pressure - meant.pressure)).toBeLessThan(0.00501);
          expect(point.time).toBe(meant.time);
        });
        // Read and written again nothing changes any more.
        expect(encodePoints(back)).toBe(text);
        if (points.length > 8) expect(text.length / points.length).toBeLessThan(12);
      }),
    );
  });

  it('are refused where they are none', () => {
    for (const text of ['', 'A', 'AAAAA', '?!?!', 'ééé']) expect(() => decodePoints(text)).toThrow(RangeError);
  });

  it('are thinned out where there are more than can be kept, and end where the hand did', () => {
    const many = Array.from({ length: 50_000 }, (_, n): PenPoint => ({ x: n / 100, y: 0, time: n, pressure: 0.5 }));
    const stroke = drawnStroke(BRUSH, many, 1);
    const kept = decodePoints(stroke.points);
    expect(kept.length).toBeLessThanOrEqual(MOST_PEN_POINTS);
    expect(kept.at(-1)?.x).toBeCloseTo(499.99, 2);
    drawnRecipeSchema.validateSync({ kind: 'drawn', strokes: [stroke] }, { strict: true });
  });
});

describe('what a brush leaves', () => {
  it('is followed by its outline within 0.05 mm', () => {
    fc.assert(
      fc.property(hand, brush, (points, given) => {
        const stroke = drawnStroke(given, points, 3);
        const outline = strokeOutline(decodePoints(stroke.points), given, 3);
        const [node] = strokeNodes(stroke);
        if (!node || outline.length < 3) return;
        const fitted = sampled(node.path);
        const off = (from: readonly Point[], to: readonly Point[]): number =>
          from.reduce((most, point, n) => (n % 3 === 0 ? Math.max(most, awayFrom(to, point)) : most), 0);
        expect(off(fitted, outline)).toBeLessThan(0.05);
        expect(off(outline, fitted)).toBeLessThan(0.05);
      }),
      { numRuns: 12 },
    );
  });

  it('is a dot where the hand only touched', () => {
    const box = strokesBox([drawnStroke(BRUSH, [{ x: 3, y: 4, time: 0, pressure: 1 }], 1)]);
    expect(box).toBeDefined();
    expect((box?.left ?? 0) + (box?.right ?? 0)).toBeCloseTo(6, 0);
    expect((box?.right ?? 0) - (box?.left ?? 0)).toBeGreaterThan(1);
    expect((box?.right ?? 0) - (box?.left ?? 0)).toBeLessThan(8);
  });

  it('is as wide as the brush where it is pressed fully, and thinner where it is not', () => {
    const line = (pressure: number): PenPoint[] =>
      Array.from({ length: 60 }, (_, n) => ({ x: n * 2, y: 0, time: n, pressure }));
    const even = { ...BRUSH, taperStart: 0, taperEnd: 0, pressure: 'none' as const };
    const box = strokesBox([drawnStroke(even, line(0.5), 1)]);
    expect((box?.bottom ?? 0) - (box?.top ?? 0)).toBeCloseTo(6, 1);
    const heightOf = (pressure: number): number => {
      const pressed = strokesBox([drawnStroke({ ...even, pressure: 'pen' }, line(pressure), 1)]);
      return (pressed?.bottom ?? 0) - (pressed?.top ?? 0);
    };
    expect(heightOf(0.2)).toBeLessThan(heightOf(0.5));
    expect(heightOf(0.5)).toBeLessThan(heightOf(0.9));
  });

  it('has a rough edge that is the same for the same seed', () => {
    const points = Array.from({ length: 40 }, (_, n): PenPoint => ({ x: n * 2, y: n, time: n, pressure: 0.7 }));
    const rough = { ...BRUSH, roughness: 1 };
    expect(strokeOutline(points, rough, 4)).toEqual(strokeOutline(points, rough, 4));
    expect(strokeOutline(points, rough, 4)).not.toEqual(strokeOutline(points, rough, 5));
    // It strays by no more than is said.
    const clean = strokeOutline(points, BRUSH, 4);
    for (const point of strokeOutline(points, rough, 4)) expect(awayFrom(clean, point)).toBeLessThan(0.13 * 6);
  });
});

describe('a hand-drawn motif', () => {
  it('keeps its middle where strokes are added, and holds them all', () => {
    fc.assert(
      fc.property(fc.array(hand, { minLength: 1, maxLength: 4 }), brush, (hands, given) => {
        const strokes = hands.map((points, n) => drawnStroke(given, points, n + 1));
        const { view, nodes } = drawnArtwork({ kind: 'drawn', strokes });
        expect(view.x + view.width / 2).toBeCloseTo(0, 9);
        expect(view.y + view.height / 2).toBeCloseTo(0, 9);
        for (const { path } of nodes.flatMap((node) => (node.kind === 'path' ? [node] : []))) {
          const box = pathBounds(path);
          if (!box) continue;
          expect(box.left).toBeGreaterThanOrEqual(view.x - 1e-6);
          expect(box.bottom).toBeLessThanOrEqual(view.y + view.height + 1e-6);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('fills what a stroke encloses below it', () => {
    const ring = Array.from({ length: 60 }, (_, n): PenPoint => {
      const angle = (2 * Math.PI * n) / 59;
      return { x: 20 * Math.cos(angle), y: 20 * Math.sin(angle), time: n, pressure: 1 };
    });
    const [fill, line] = strokeNodes(drawnStroke({ ...BRUSH, fill: '#b5442f' }, ring, 1));
    expect(fill?.fill).toMatchObject({ ink: '#b5442f' });
    expect(line?.fill).toMatchObject({ ink: '#22304a' });
    const box = fill && pathBounds(fill.path);
    expect((box?.right ?? 0) - (box?.left ?? 0)).toBeCloseTo(40, 0);
  });

  it('is touched where the brush went, and moved as a whole', () => {
    const points = [
      { x: 0, y: 0, time: 0, pressure: 1 },
      { x: 40, y: 0, time: 9, pressure: 1 },
    ];
    const stroke = drawnStroke(BRUSH, points, 1);
    expect(strokeTouches(stroke, { x: 20, y: 2.9 }, 0)).toBe(true);
    expect(strokeTouches(stroke, { x: 20, y: 3.2 }, 0)).toBe(false);
    expect(strokeTouches(stroke, { x: 20, y: 3.2 }, 0.5)).toBe(true);
    expect(strokeTouches(stroke, { x: 44, y: 0 }, 0)).toBe(false);
    const moved = movedStroke(stroke, compose(translationMatrix(5, 7), rotationMatrix(90)));
    expect(decodePoints(moved.points).map(({ x, y }) => [x, y])).toEqual([
      [5, 7],
      [5, 47],
    ]);
  });
});

/** A straight stroke of an even brush. */
const straight = (from: Point, to: Point, width = 4, deed: 'line' | 'rubber' = 'line') =>
  drawnStroke(
    { ...BRUSH, width, pressure: 'none', taperStart: 0, taperEnd: 0 },
    Array.from({ length: 21 }, (_, n) => ({
      x: from.x + ((to.x - from.x) * n) / 20,
      y: from.y + ((to.y - from.y) * n) / 20,
      time: n,
      pressure: 1,
    })),
    1,
    deed,
  );

describe('what goes along with a stroke', () => {
  it('is as many as it is turned, and turned once more it is the same again', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 24 }),
        fc.boolean(),
        real(-50, 50),
        real(-50, 50),
        (count, mirrored, x, y) => {
          const at = { x: 7, y: -3 };
          const copies = drawnBy({ kind: 'turn', at, count, mirrored });
          expect(copies).toHaveLength(mirrored ? 2 * count : count);
          const places = copies.map((copy) => transform(copy, { x, y }));
          // As far from the centre as the first; and the turn by one of them takes each to another.
          for (const place of places)
            expect(Math.hypot(place.x - at.x, place.y - at.y)).toBeCloseTo(Math.hypot(x - at.x, y - at.y), 8);
          const by = compose(
            translationMatrix(at.x, at.y),
            compose(rotationMatrix(360 / count), translationMatrix(-at.x, -at.y)),
          );
          for (const place of places) {
            const turned = transform(by, place);
            expect(Math.min(...places.map((other) => Math.hypot(other.x - turned.x, other.y - turned.y)))).toBeLessThan(
              1e-8,
            );
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('is a reflection that undoes itself and leaves the axis where it is', () => {
    fc.assert(
      fc.property(real(-180, 180), real(-50, 50), real(-50, 50), (angle, x, y) => {
        const at = { x: 11, y: 5 };
        const [, reflected] = drawnBy({ kind: 'mirror', at, angle });
        const twice = reflected && transform(reflected, transform(reflected, { x, y }));
        expect(twice?.x).toBeCloseTo(x, 8);
        expect(twice?.y).toBeCloseTo(y, 8);
        const turn = (angle * Math.PI) / 180;
        const onAxis = { x: at.x + 9 * Math.sin(turn), y: at.y - 9 * Math.cos(turn) };
        const stays = reflected && transform(reflected, onAxis);
        expect(stays?.x).toBeCloseTo(onAxis.x, 8);
        expect(stays?.y).toBeCloseTo(onAxis.y, 8);
      }),
    );
    expect(drawnBy({ kind: 'none' })).toEqual([IDENTITY]);
  });
});

describe('a rubber', () => {
  it('cuts what lies below it, and nothing that is drawn later', () => {
    const below = straight({ x: -30, y: 0 }, { x: 30, y: 0 });
    const rubber = straight({ x: 0, y: -20 }, { x: 0, y: 20 }, 6, 'rubber');
    const above = straight({ x: -30, y: 10 }, { x: 30, y: 10 });
    const { nodes } = drawnArtwork({ kind: 'drawn', strokes: [below, rubber, above] });
    const [cut, whole] = nodes.flatMap((node) => (node.kind === 'path' ? [node.path] : []));
    // Two pieces are left of what it went over.
    expect(cut?.match(/M/g)).toHaveLength(2);
    expect(whole?.match(/M/g)).toHaveLength(1);
    const all = { kind: 'drawn', strokes: [below, straight({ x: -40, y: 0 }, { x: 40, y: 0 }, 9, 'rubber')] } as const;
    expect(() => drawnArtwork(all)).toThrow(RangeError);
  });
});

describe('strokes that are done', () => {
  it('belong together by colour and nearness, whatever lies between', () => {
    const a = straight({ x: 0, y: 0 }, { x: 20, y: 0 });
    const near = straight({ x: 24, y: 2 }, { x: 40, y: 2 });
    const far = straight({ x: 80, y: 0 }, { x: 90, y: 0 });
    const other = { ...straight({ x: 10, y: 3 }, { x: 30, y: 3 }), ink: '#b5442f' as const };
    expect(groupStrokes([a, other, near, far], 4)).toEqual([[a, near], [other], [far]]);
    const rubber = straight({ x: 12, y: -10 }, { x: 12, y: 10 }, 4, 'rubber');
    expect(groupStrokes([a, other, rubber], 4)).toEqual([[a, other, rubber]]);
    expect(groupStrokes([rubber], 4)).toEqual([]);
  });
});

describe('where a drawing is seen', () => {
  it('is by every operation and translation of the lattice that touches the window, and no other', () => {
    const repeats = [
      { width: 120, height: 90, step: SQUARE },
      { width: 120, height: 90, step: step('half-drop', 1, 2) },
      { width: 120, height: 90, step: { ...SQUARE, mirrored: 'both' as const } },
    ];
    for (const repeat of repeats) {
      const lattice = latticeOf(repeat);
      const box = { left: 100, top: 30, right: 140, bottom: 60 };
      const window = { left: -50, top: -40, right: 400, bottom: 300 };
      const seen = instancesIn(lattice, IDENTITY, box, window);
      // By trying all that could be.
      let count = 0;
      for (const { matrix } of lattice.ops)
        for (let i = -9; i <= 9; i += 1)
          for (let j = -9; j <= 9; j += 1) {
            const by = latticeTranslate(lattice, { i, j });
            const [p, q] = [transform(matrix, { x: 100, y: 30 }), transform(matrix, { x: 140, y: 60 })];
            const [left, right] = [Math.min(p.x, q.x) + by.x, Math.max(p.x, q.x) + by.x];
            const [top, bottom] = [Math.min(p.y, q.y) + by.y, Math.max(p.y, q.y) + by.y];
            if (left < window.right && right > window.left && top < window.bottom && bottom > window.top) count += 1;
          }
      expect(seen).toHaveLength(count);
    }
  });
});
