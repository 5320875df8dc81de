import type { SwatchSummary } from '../../../contract/index.ts';
import { type Hex, nearestDistance } from '../../../core/colour/index.ts';
import { repeatText } from '../../../core/lattice/index.ts';

export type SortBy = 'newest' | 'name' | 'size';

/** What is asked of the book. */
export interface BookWish {
  readonly words: string;
  /** One book, or all where missing. */
  readonly book: string | undefined;
  readonly tag: string | undefined;
  /** A colour near which one of its own has to be; those nearest come first. */
  readonly near: Hex | undefined;
  readonly sortBy: SortBy;
}

export const EVERY_SWATCH: BookWish = {
  words: '',
  book: undefined,
  tag: undefined,
  near: undefined,
  sortBy: 'newest',
};

/** In OKLab: farther than this nobody would call a colour near another. */
const FARTHEST = 0.1;

const byName = new Intl.Collator('en-GB', { numeric: true });
const ORDERS: { readonly [K in SortBy]: (a: SwatchSummary, b: SwatchSummary) => number } = {
  newest: (a, b) => (a.savedAt < b.savedAt ? 1 : a.savedAt > b.savedAt ? -1 : 0),
  name: (a, b) => byName.compare(a.name, b.name),
  size: (a, b) => a.repeat.width * a.repeat.height - b.repeat.width * b.repeat.height,
};

/** All that words are sought in, kept as long as the swatch: thousands are looked through with each letter typed. */
const texts = new WeakMap<SwatchSummary, string>();

function textOf(swatch: SwatchSummary): string {
  let text = texts.get(swatch);
  if (text === undefined) {
    const { name, book, tags, notes, repeat } = swatch;
    text = [name, book, ...tags, notes, repeatText(repeat, 'mm'), `${repeat.width}x${repeat.height}`]
      .join(' ')
      .toLowerCase();
    texts.set(swatch, text);
  }
  return text;
}

/** The swatches that have all the words in their name, book, tags, notes, size or step, in the wished order. */
export function swatchesFor(
  swatches: readonly SwatchSummary[],
  { words, book, tag, near, sortBy }: BookWish,
): SwatchSummary[] {
  const sought = words.toLowerCase().split(/\s+/).filter(Boolean);
  const found = swatches.filter((swatch) => {
    if (book !== undefined && swatch.book !== book) return false;
    if (tag !== undefined && !swatch.tags.includes(tag)) return false;
    return sought.length === 0 || sought.every((word) => textOf(swatch).includes(word));
  });
  if (near === undefined) return found.sort(ORDERS[sortBy]);
  return found
    .map((swatch) => ({ swatch, distance: nearestDistance(near, swatch.colours) }))
    .filter(({ distance }) => distance <= FARTHEST)
    .sort((a, b) => a.distance - b.distance || ORDERS[sortBy](a.swatch, b.swatch))
    .map(({ swatch }) => swatch);
}

/** All books and tags that are in use, each once, in the order of the alphabet. */
export function shelvesOf(swatches: readonly SwatchSummary[]): { readonly books: string[]; readonly tags: string[] } {
  const sorted = (names: Iterable<string>): string[] => [...new Set(names)].filter(Boolean).sort(byName.compare);
  return { books: sorted(swatches.map(({ book }) => book)), tags: sorted(swatches.flatMap(({ tags }) => tags)) };
}
