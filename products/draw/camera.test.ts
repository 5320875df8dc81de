import { describe, expect, it } from 'vitest';
import { camera } from './camera.ts';

describe('a camera', () => {
  const see = camera([0, 1500, 4000], [0, 1500, 0], 1000, [600, 450]);

  it('has what it is aimed at in the middle, up above, and right on the right', () => {
    expect(see([0, 1500, 0])).toEqual([600, 450]);
    expect(see([400, 1500, 0])[0]).toBeCloseTo(700, 9);
    expect(see([0, 1900, 0])[1]).toBeCloseTo(350, 9);
  });

  it('shows what is twice as far half as large', () => {
    const near = see([400, 1500, 0])[0] - 600;
    const far = see([400, 1500, -4000])[0] - 600;
    expect(near / far).toBeCloseTo(2, 9);
  });

  it('keeps straight lines straight when it looks down', () => {
    const down = camera([500, 2000, 3000], [100, 0, -200], 900, [600, 450]);
    const [a, b, c] = [0, 0.3, 1].map((t) => down([1000 * t, 200 * t, -1500 * t])) as [
      readonly [number, number],
      readonly [number, number],
      readonly [number, number],
    ];
    const off = (c[0] - a[0]) * (b[1] - a[1]) - (c[1] - a[1]) * (b[0] - a[0]);
    expect(Math.abs(off) / Math.hypot(c[0] - a[0], c[1] - a[1])).toBeLessThan(1e-9);
  });
});
