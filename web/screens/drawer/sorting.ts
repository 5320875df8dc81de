import type { DrawerMotif } from '../../api/motifs.ts';

/** Orders in which the drawer is looked through. */
export type Order = 'newest' | 'name' | 'used' | 'size';

export const ORDERS: readonly { readonly order: Order; readonly name: string }[] = [
  { order: 'newest', name: 'Newest first' },
  { order: 'name', name: 'By name' },
  { order: 'used', name: 'Most used first' },
  { order: 'size', name: 'Largest first' },
];

const COMPARE: Readonly<Record<Order, (a: DrawerMotif, b: DrawerMotif) => number>> = {
  newest: (a, b) => b.createdAt.localeCompare(a.createdAt),
  name: () => 0,
  used: (a, b) => b.uses - a.uses,
  size: (a, b) =>
    ((b.width * b.view.height) / b.view.width) * b.width - ((a.width * a.view.height) / a.view.width) * a.width,
};

/** What is looked for: words in names, collections and tags; one collection or all of them; an order. */
export interface Sought {
  readonly words: string;
  readonly collection: string | undefined;
  readonly order: Order;
}

/** The motifs of the drawer that are looked for, in order; equals by name, numbers in names by their value. */
export function soughtMotifs(motifs: readonly DrawerMotif[], { words, collection, order }: Sought): DrawerMotif[] {
  const parts = words.toLowerCase().split(/\s+/).filter(Boolean);
  return motifs
    .filter((motif) => {
      if (motif.deleted || (collection !== undefined && motif.collection !== collection)) return false;
      const text = [motif.name, motif.collection, ...motif.tags].join(' ').toLowerCase();
      return parts.every((part) => text.includes(part));
    })
    .sort(
      (a, b) =>
        COMPARE[order](a, b) || a.name.localeCompare(b.name, 'en-GB', { numeric: true }) || a.id.localeCompare(b.id),
    );
}

/** The collections of the drawer by name, with how many motifs each holds. */
export function collectionsOf(motifs: readonly DrawerMotif[]): { name: string; count: number }[] {
  const counts = new Map<string, number>();
  for (const { collection, deleted } of motifs) if (!deleted) counts.set(collection, (counts.get(collection) ?? 0) + 1);
  return [...counts]
    .map(([name, count]) => ({ name, count }))
    .sort((a, b) => a.name.localeCompare(b.name, 'en-GB', { numeric: true }));
}
