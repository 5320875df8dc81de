import fc from 'fast-check';
import { expect, it } from 'vitest';
import { ruleDivision } from './ruler.ts';

it('divides a rule so that its ticks can be told apart, and no coarser than needed', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.05, max: 60, noNaN: true }), fc.constantFrom('mm', 'cm', 'in'), (scale, unit) => {
      const { minor, every } = ruleDivision(scale, unit);
      expect(minor * scale).toBeGreaterThanOrEqual(6);
      expect(every).toBeGreaterThan(1);
      if (scale < 50) expect(minor * scale).toBeLessThan(unit === 'in' ? 110 : 62);
    }),
  );
  expect(ruleDivision(3.78, 'mm')).toEqual({ minor: 5, every: 10 });
  expect(ruleDivision(8, 'mm')).toEqual({ minor: 1, every: 10 });
});
