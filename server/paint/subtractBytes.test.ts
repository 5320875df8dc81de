import fc from 'fast-check';
import { expect, it } from 'vitest';
import { subtractBytes } from './subtractBytes.ts';

it('subtracts bytes modulo 256, whatever their number and wherever they begin', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.nat(255), fc.nat(255)), { maxLength: 40 }),
      fc.nat(3),
      fc.nat(3),
      (pairs, before, beforeTaken) => {
        const list = (n: 0 | 1, skip: number): Uint8Array =>
          Uint8Array.from([...new Array<number>(skip).fill(9), ...pairs.map((pair) => pair[n])]).subarray(skip);
        const [from, take] = [list(0, before), list(1, beforeTaken)];
        expect([...subtractBytes(from, take)]).toEqual(pairs.map(([a, b]) => (a - b + 256) % 256));
      },
    ),
  );
});
