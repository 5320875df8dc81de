import fc from 'fast-check';
import { expect, it } from 'vitest';
import { steadyOrder } from './trayOrder.ts';

const ids = fc.uniqueArray(fc.constantFrom(...'abcdefghijkl'), { maxLength: 8 });

it('the tray never moves what it shows: what is new comes before it, the rest of the drawer after it', () => {
  fc.assert(
    fc.property(ids, ids, ids, (order, fresh, listed) => {
      const next = steadyOrder(order, fresh, listed);
      expect(next.filter((id) => order.includes(id))).toEqual(order);
      expect(new Set(next)).toEqual(new Set([...order, ...fresh, ...listed]));
      expect(next).toHaveLength(new Set(next).size);
      const first = fresh.filter((id) => !order.includes(id));
      expect(next.slice(0, first.length)).toEqual(first);
      if (next.length === order.length) expect(next).toBe(order);
    }),
  );
});
