import { describe, expect, it } from 'vitest';
import type { SwatchSummary } from '../../../contract/index.ts';
import type { Hex } from '../../../core/colour/index.ts';
import { SQUARE } from '../../../core/lattice/index.ts';
import { EVERY_SWATCH, shelvesOf, swatchesFor } from './bookOrder.ts';

const swatch = (name: string, rest: Partial<SwatchSummary> = {}): SwatchSummary => ({
  id: name,
  name,
  book: '',
  tags: [],
  notes: '',
  newest: 1,
  number: 1,
  note: '',
  deletedAt: null,
  savedAt: '2026-01-01T00:00:00.000Z',
  designId: 'd',
  tile: '',
  thumbnail: '',
  tileWidth: 1,
  tileHeight: 1,
  repeat: { width: 100, height: 100, step: SQUARE },
  colours: [],
  ...rest,
});

const BOOK = [
  swatch('Limpets 10', { tags: ['blue', 'small'], savedAt: '2026-01-03T00:00:00.000Z' }),
  swatch('Limpets 9', { book: 'Spring', notes: 'for the tea towel', repeat: { width: 50, height: 50, step: SQUARE } }),
  swatch('Kelp', { book: 'Autumn', tags: ['blue'], savedAt: '2026-01-02T00:00:00.000Z' }),
];
const ALL = { ...EVERY_SWATCH, sortBy: 'name' } as const;
const names = (wish: Parameters<typeof swatchesFor>[1]): string[] => swatchesFor(BOOK, wish).map(({ name }) => name);

describe('the book', () => {
  it('finds all words, wherever they stand', () => {
    expect(names({ ...ALL, words: 'limpets BLUE' })).toEqual(['Limpets 10']);
    expect(names({ ...ALL, words: '  towel ' })).toEqual(['Limpets 9']);
    expect(names({ ...ALL, words: 'autumn' })).toEqual(['Kelp']);
    expect(names({ ...ALL, words: 'kelp small' })).toEqual([]);
  });

  it('shows one book or one tag', () => {
    expect(names({ ...ALL, book: 'Spring' })).toEqual(['Limpets 9']);
    expect(names({ ...ALL, tag: 'blue' })).toEqual(['Kelp', 'Limpets 10']);
    expect(names({ ...ALL, tag: 'blue', book: 'Autumn' })).toEqual(['Kelp']);
    expect(shelvesOf(BOOK)).toEqual({ books: ['Autumn', 'Spring'], tags: ['blue', 'small'] });
  });

  it('is sorted by name, as people count, by what was saved last, or by size', () => {
    expect(names(ALL)).toEqual(['Kelp', 'Limpets 9', 'Limpets 10']);
    expect(names({ ...ALL, sortBy: 'newest' })).toEqual(['Limpets 10', 'Kelp', 'Limpets 9']);
    expect(names({ ...ALL, sortBy: 'size' })[0]).toBe('Limpets 9');
  });

  it('finds sizes and steps, and colours near one, the nearest first', () => {
    expect(names({ ...ALL, words: '50 × 50 square' })).toEqual(['Limpets 9']);
    const coloured = [
      swatch('Red', { colours: ['#f2eee4', '#b3402e'] }),
      swatch('Rust', { colours: ['#a8502f'] }),
      swatch('Sea', { colours: ['#204060'] }),
    ];
    const near = (colour: Hex): string[] => swatchesFor(coloured, { ...ALL, near: colour }).map(({ name }) => name);
    expect(near('#a8502f')).toEqual(['Rust', 'Red']);
    expect(near('#b3402e')).toEqual(['Red', 'Rust']);
    expect(near('#224262')).toEqual(['Sea']);
    expect(near('#00ff00')).toEqual([]);
  });
});
