import fc from 'fast-check';
import { expect, it } from 'vitest';
import { evenColumns, ROOMS } from './evenColumns.ts';

it('stands few short names in one row, and many in rows of equal length', () => {
  expect(evenColumns(['None', 'Mirrored', 'Turned'], ROOMS.ticket)).toBe(3);
  expect(evenColumns(['Hide it', 'Show it again', 'Hide all else'], ROOMS.ticket)).toBe(2);
  expect(evenColumns(['This placement', 'Every placement'], ROOMS.ticket)).toBe(2);
  expect(evenColumns(['Tile', 'Repeats', 'One cell', 'Page or length'], ROOMS.ticket)).toBe(2);
  expect(evenColumns(['Tile', 'Repeats', 'One cell', 'Page or length'], ROOMS.dialog)).toBe(4);
  expect(evenColumns([], ROOMS.ticket)).toBe(1);
});

it('leaves no row with more than one place free that fewer columns would fill', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ minLength: 1, maxLength: 30 }), { minLength: 1, maxLength: 20 }), (names) => {
      const columns = evenColumns(names, ROOMS.ticket);
      const rows = Math.ceil(names.length / columns);
      expect(columns).toBeGreaterThanOrEqual(1);
      // One column fewer would need another row.
      expect(columns === 1 || Math.ceil(names.length / (columns - 1)) > rows).toBe(true);
    }),
  );
});
