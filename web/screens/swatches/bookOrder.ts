import type { SwatchSummary } from '../../../contract/index.ts';

export type SortBy = 'newest' | 'name' | 'size';

/** What is asked of the book. */
export interface BookWish {
  readonly words: string;
  /** One book, or all where missing. */
  readonly book: string | undefined;
  readonly tag: string | undefined;
  readonly sortBy: SortBy;
}

const ORDERS: { readonly [K in SortBy]: (a: SwatchSummary, b: SwatchSummary) => number } = {
  newest: (a, b) => b.savedAt.localeCompare(a.savedAt),
  name: (a, b) => a.name.localeCompare(b.name, 'en-GB', { numeric: true }),
  size: (a, b) => a.repeat.width * a.repeat.height - b.repeat.width * b.repeat.height,
};

/** The swatches that have all the words in their name, book, tags or notes, in the wished order. */
export function swatchesFor(
  swatches: readonly SwatchSummary[],
  { words, book, tag, sortBy }: BookWish,
): SwatchSummary[] {
  const sought = words.toLowerCase().split(/\s+/).filter(Boolean);
  return swatches
    .filter((swatch) => {
      if (book !== undefined && swatch.book !== book) return false;
      if (tag !== undefined && !swatch.tags.includes(tag)) return false;
      const text = [swatch.name, swatch.book, ...swatch.tags, swatch.notes].join(' ').toLowerCase();
      return sought.every((word) => text.includes(word));
    })
    .sort(ORDERS[sortBy]);
}

/** All books and tags that are in use, each once, in the order of the alphabet. */
export function shelvesOf(swatches: readonly SwatchSummary[]): { readonly books: string[]; readonly tags: string[] } {
  const sorted = (names: Iterable<string>): string[] =>
    [...new Set(names)].filter(Boolean).sort((a, b) => a.localeCompare(b, 'en-GB', { numeric: true }));
  return { books: sorted(swatches.map(({ book }) => book)), tags: sorted(swatches.flatMap(({ tags }) => tags)) };
}
