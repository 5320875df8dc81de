import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { LEAF_RECORD } from '../../../core/testing/arbitraries.ts';
import type { DrawerMotif } from '../../api/motifs.ts';
import { collectionsOf, ORDERS, soughtMotifs } from './sorting.ts';

const motif = (id: string, rest: Partial<DrawerMotif> = {}): DrawerMotif => ({
  ...LEAF_RECORD,
  id,
  name: id,
  collection: 'Shore',
  thumbnail: '',
  tags: [],
  uses: 0,
  deleted: false,
  createdAt: `2026-01-0${id.length}T00:00:00.000Z`,
  ...rest,
});
const all = [
  motif('Whelk 10', { tags: ['hero', 'shell'] }),
  motif('Whelk 2', { uses: 3 }),
  motif('Crab', { collection: 'Deep', width: 90 }),
  motif('Gone', { deleted: true }),
];
const names = (list: readonly DrawerMotif[]): string[] => list.map(({ name }) => name);

describe('looking through the drawer', () => {
  it('finds every word in names, collections and tags, and never what was deleted', () => {
    const find = (words: string, collection?: string): string[] =>
      names(soughtMotifs(all, { words, collection, order: 'name' }));
    expect(find('')).toEqual(['Crab', 'Whelk 2', 'Whelk 10']);
    expect(find('WHELK shell')).toEqual(['Whelk 10']);
    expect(find('deep')).toEqual(['Crab']);
    expect(find('', 'Shore')).toEqual(['Whelk 2', 'Whelk 10']);
    expect(find('gone')).toEqual([]);
  });

  it('orders by use and by size', () => {
    expect(names(soughtMotifs(all, { words: '', collection: undefined, order: 'used' }))[0]).toBe('Whelk 2');
    expect(names(soughtMotifs(all, { words: '', collection: undefined, order: 'size' }))[0]).toBe('Crab');
  });

  it('loses and doubles nothing in any order', () => {
    const anyMotif = fc
      .record({ id: fc.uuid(), name: fc.string(), uses: fc.nat(9), width: fc.integer({ min: 1, max: 99 }) })
      .map(({ id, ...rest }) => motif(id, { ...rest, createdAt: '2026-01-01T00:00:00.000Z' }));
    fc.assert(
      fc.property(
        fc.uniqueArray(anyMotif, { selector: ({ id }) => id }),
        fc.constantFrom(...ORDERS),
        (list, { order }) => {
          const motifs = soughtMotifs(list, { words: '', collection: undefined, order });
          expect(motifs.map(({ id }) => id).sort()).toEqual(list.map(({ id }) => id).sort());
          expect(soughtMotifs([...list].reverse(), { words: '', collection: undefined, order })).toEqual(motifs);
        },
      ),
    );
  });

  it('counts the collections', () => {
    expect(collectionsOf(all)).toEqual([
      { name: 'Deep', count: 1 },
      { name: 'Shore', count: 2 },
    ]);
  });
});
