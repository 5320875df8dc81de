import fc from 'fast-check';
import { expect, it } from 'vitest';
import { seeded } from './seeded.ts';
import { shuffled } from './shuffled.ts';

it('keeps every element once, leaves the list as it was, and repeats by its seed', () => {
  fc.assert(
    fc.property(fc.array(fc.integer()), fc.integer({ min: 1, max: 1e6 }), (list, seed) => {
      const before = [...list];
      const out = shuffled(list, seeded(seed));
      expect(list).toEqual(before);
      expect([...out].sort((a, b) => a - b)).toEqual([...list].sort((a, b) => a - b));
      expect(shuffled(list, seeded(seed))).toEqual(out);
    }),
  );
});

it('gives every order about as often', () => {
  const random = seeded(7);
  const counts = new Map<string, number>();
  for (let n = 0; n < 6000; n += 1) {
    const order = shuffled(['a', 'b', 'c'], random).join('');
    counts.set(order, (counts.get(order) ?? 0) + 1);
  }
  expect(counts.size).toBe(6);
  // A thousand each; five standard deviations are 145.
  for (const count of counts.values()) expect(Math.abs(count - 1000)).toBeLessThan(145);
});
