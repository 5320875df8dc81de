import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodePoints, drawnStroke, filledArea, movedStroke, type PenPoint, strokeOutline } from '../draw/index.ts';
import { awayFrom, BRUSH, brush, hand, straight } from '../draw/testing/hands.ts';
import { type Point, translationMatrix } from '../geometry/index.ts';
import { pathBounds, tracePath } from '../motif/index.ts';
import { drawnArtwork } from './drawnArtwork.ts';
import type { Stroke } from '../recipe/index.ts';
import { strokeNodes } from './strokeNodes.ts';

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

describe('a hand-drawn motif', () => {
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

  it('is shaded in its fill, or all of it where it has none, and in what a rubber leaves', () => {
    const shading = {
      kind: 'linear',
      ink: '#ffffff',
      opacity: 1,
      from: { x: -20, y: 0 },
      to: { x: 20, y: 0 },
    } as const;
    const kinds = (stroke: Stroke) =>
      strokeNodes(stroke).flatMap(({ fill, stroke: drawn }) => [fill?.kind, drawn?.paint.kind]);
    const plain = { ...straight({ x: -20, y: 0 }, { x: 20, y: 0 }), shading };
    expect(kinds(plain)).toEqual(['linear', undefined]);
    expect(kinds({ ...plain, fill: '#b5442f' })).toEqual(['linear', undefined, 'ink', undefined]);
    const path = { ...plain, deed: 'path', points: 'M0 0L20 0L20 20Z' } as const;
    expect(kinds(path)).toEqual([undefined, 'linear']);
    expect(kinds({ ...path, fill: '#b5442f' })).toEqual(['linear', 'ink']);
    const rubber = straight({ x: 0, y: -20 }, { x: 0, y: 20 }, 4, 'rubber');
    const { nodes } = drawnArtwork({ kind: 'drawn', strokes: [plain, rubber] });
    expect(nodes).toMatchObject([{ fill: { kind: 'linear', from: [-20, 0] } }]);
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

describe('a filled area', () => {
  it('is a path by the even–odd rule, so that its holes are left out', () => {
    const square = (half: number) => [
      { x: -half, y: -half },
      { x: half, y: -half },
      { x: half, y: half },
      { x: -half, y: half },
    ];
    const area = filledArea(BRUSH, [square(20), square(8)], 0.01);
    const [node] = strokeNodes(movedStroke(area, translationMatrix(100, 0)));
    expect(node?.rule).toBe('evenodd');
    expect(node?.path.match(/M/g)).toHaveLength(2);
    expect(node && pathBounds(node.path)?.left).toBeCloseTo(80, 1);
  });
});
