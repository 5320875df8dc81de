import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { WEAVE_NAMES, weaveLight, WEAVES } from './weave.ts';

const weave = fc.constantFrom(...WEAVE_NAMES);
const place = fc.double({ min: -50, max: 50, noNaN: true });

describe('a weave', () => {
  it('begins again after its period, across and down', () => {
    fc.assert(
      fc.property(
        weave,
        place,
        place,
        fc.integer({ min: -3, max: 3 }),
        fc.integer({ min: -3, max: 3 }),
        (name, x, y, i, j) => {
          // From the middle of a thread's side, where nothing jumps.
          const [u, v] = [Math.floor(x) + 0.3, Math.floor(y) + 0.6];
          const { period } = WEAVES[name];
          expect(weaveLight(name, u + i * period, v + j * period)).toBeCloseTo(weaveLight(name, u, v), 9);
        },
      ),
    );
  });

  it('gives back some of the light everywhere, and all of it along the top of a thread', () => {
    fc.assert(
      fc.property(weave, place, place, (name, x, y) => {
        const light = weaveLight(name, x, y);
        expect(light).toBeGreaterThan(0.5);
        expect(light).toBeLessThanOrEqual(1);
        expect(weaveLight(name, Math.floor(x) + 0.5, Math.floor(y) + 0.5)).toBe(1);
      }),
    );
  });

  it.each([
    ['plain', 2],
    ['twill', 2],
    ['basket', 2],
    ['sateen', 5],
  ] as const)('of %s has the warp on top once in %i crossings, along every thread', (name, every) => {
    const { period, isWarpUp } = WEAVES[name];
    const threads = Array.from({ length: period }, (_, n) => n);
    for (const warp of threads) expect(threads.filter((weft) => isWarpUp(warp, weft))).toHaveLength(period / every);
    for (const weft of threads) expect(threads.filter((warp) => isWarpUp(warp, weft))).toHaveLength(period / every);
  });
});
