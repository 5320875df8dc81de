import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyRepeat } from '../../core/testing/arbitraries.ts';
import { lengthToMm, paintedWindow, toCss, toMm, viewportAround, viewportWith } from './viewport.ts';

const frame = { width: 920, height: 640, density: 1 };
const anyAt = fc.record({
  x: fc.double({ min: 0, max: 920, noNaN: true }),
  y: fc.double({ min: 0, max: 640, noNaN: true }),
});
const anyScale = fc.double({ min: 0.02, max: 60, noNaN: true });

describe('a viewport', () => {
  it('keeps the place under the pointer within half a pixel while zooming', () => {
    fc.assert(
      fc.property(anyRepeat, anyAt, anyScale, anyScale, fc.constantFrom(1, 1.5, 2), (repeat, at, one, two, density) => {
        const before = viewportWith({ ...frame, density }, repeat, one, { x: 30, y: 40 }, at);
        const mm = toMm(before, at);
        const after = viewportWith({ ...frame, density }, repeat, two, mm, at);
        const there = toCss(after, mm);
        expect(Math.abs(there.x - at.x)).toBeLessThanOrEqual(0.5 / density + 1e-9);
        expect(Math.abs(there.y - at.y)).toBeLessThanOrEqual(0.5 / density + 1e-9);
      }),
    );
  });

  it('converts there and back', () => {
    fc.assert(
      fc.property(anyRepeat, anyAt, anyScale, (repeat, at, scale) => {
        const viewport = viewportWith(frame, repeat, scale, { x: 0, y: 0 }, { x: 460, y: 320 });
        const back = toCss(viewport, toMm(viewport, at));
        expect(back.x).toBeCloseTo(at.x, 6);
        expect(back.y).toBeCloseTo(at.y, 6);
        const by = lengthToMm(viewport, { x: 10, y: 20 });
        const moved = toMm(viewport, { x: at.x + 10, y: at.y + 20 });
        const from = toMm(viewport, at);
        expect(moved.x - from.x).toBeCloseTo(by.x, 6);
        expect(moved.y - from.y).toBeCloseTo(by.y, 6);
      }),
    );
  });

  it('shows a box whole and in the middle', () => {
    fc.assert(
      fc.property(anyRepeat, (repeat) => {
        const viewport = viewportAround(frame, repeat, { left: 0, top: 0, right: repeat.width, bottom: repeat.height });
        const topLeft = toCss(viewport, { x: 0, y: 0 });
        const bottomRight = toCss(viewport, { x: repeat.width, y: repeat.height });
        expect(topLeft.x).toBeGreaterThanOrEqual(0);
        expect(topLeft.y).toBeGreaterThanOrEqual(0);
        expect(bottomRight.x).toBeLessThanOrEqual(920);
        expect(bottomRight.y).toBeLessThanOrEqual(640);
        const window = paintedWindow(viewport);
        expect(window.right - window.left).toBe(920 * viewport.plan.reduction);
      }),
    );
  });
});
