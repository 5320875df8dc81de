import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { UPRIGHT } from '../geometry/index.ts';
import { anyPlacementFields, leafAt } from '../testing/arbitraries.ts';
import { type Circle, coverWithCircles, poseCircles } from './circleCover.ts';
import { raster } from '../testing/raster.ts';
import { SHAPES, NAMES, roundsFor, drawn } from '../testing/tossFixtures.ts';

describe('rounds', () => {
  it.each(NAMES)('cover all that is drawn, and little more: %s', (name) => {
    const { circles, area, reach } = roundsFor(name);
    expect(circles.length).toBeLessThanOrEqual(48);
    const points = drawn(name, { ...UPRIGHT });
    for (const p of points) expect(circles.some(({ x, y, r }) => Math.hypot(p.x - x, p.y - y) <= r)).toBe(true);
    const long = Math.max(SHAPES[name].motif.width, 10);
    // Nowhere do they reach farther beyond the drawing than a sixteenth of its length.
    for (const { x, y, r } of circles) {
      for (let angle = 0; angle < 360; angle += 30) {
        const at = { x: x + r * Math.cos((angle * Math.PI) / 180), y: y + r * Math.sin((angle * Math.PI) / 180) };
        expect(Math.min(...points.map((p) => Math.hypot(p.x - at.x, p.y - at.y)))).toBeLessThan(
          long / 16 + (name === 'bay' ? 1 : 0),
        );
      }
    }
    expect(area).toBeCloseTo(
      (points.length * 4 * long * (name === 'bar' ? 10 : long)) / (96 * (name === 'bar' ? 24 : 96)),
      -1,
    );
    expect(reach).toBeGreaterThanOrEqual(Math.max(...points.map(({ x, y }) => Math.hypot(x, y))));
  });

  it('close lines that nothing could lie in, and fill holes', () => {
    const carved = coverWithCircles(
      raster(
        128,
        128,
        (u, v) =>
          Math.hypot(u - 0.5, v - 0.5) < 0.48 && Math.abs(u - 0.5) > 0.012 && Math.hypot(u - 0.3, v - 0.5) > 0.1,
      ),
      { width: 20, view: { x: 0, y: 0, width: 20, height: 20 } },
    );
    expect(carved.circles[0]?.r).toBeGreaterThan(9.3);
  });

  it('go along with a pose, however it stretches and slants', () => {
    fc.assert(
      fc.property(anyPlacementFields, (fields) => {
        const placement = leafAt('a', fields);
        const [round] = poseCircles({ circles: [{ x: 0, y: 0, r: 1 }], area: 1, reach: 1 }, placement) as [Circle];
        const { scale, aspect, skew } = placement;
        const lean = Math.tan((skew * Math.PI) / 180);
        for (let angle = 0; angle < 360; angle += 15) {
          const [u, v] = [
            Math.cos((angle * Math.PI) / 180) * scale,
            Math.sin((angle * Math.PI) / 180) * scale * aspect,
          ];
          expect(Math.hypot(u + lean * v, v)).toBeLessThanOrEqual(round.r * (1 + 1e-9));
        }
      }),
    );
  });
});
