import { useMemo, useState } from 'react';
import type { DesignMotif } from '../../../contract/index.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import { useReturned } from '../../ui/origin.ts';
import { useStore } from '../../ui/store.ts';
import type { Arrival } from '../drawer/imports.ts';
import { steadyOrder } from './trayOrder.ts';

/**
 * The motifs that the tray shows: when a design is opened those on its cloth, the most used first, and then those of the drawer;
 * from then on in that order, with what was imported or made since before all others.
 *
 * @param drawer what the drawer has for the words, as far as it is loaded
 * @param arrivals files that came since the design was opened
 */
export function useTrayMotifs(
  drawer: readonly DesignMotif[] | undefined,
  arrivals: readonly Arrival[],
  words: string,
): readonly DesignMotif[] {
  const editor = useEditor();
  const placements = useStore(editor.session, (state) => state.committed.placements);
  const known = useStore(editor.motifs);
  const [order, setOrder] = useState<readonly string[]>([]);
  // What was made on another page for this design stands first, too.
  const returned = useReturned();
  const [made] = useState(() => (returned && 'motif' in returned ? [returned.motif] : []));

  const onCloth = useMemo(() => mostUsedFirst(placements.map(({ motif }) => motif)), [placements]);
  const imported = useMemo(() => arrivals.flatMap(({ motif }) => motif?.id ?? []).reverse(), [arrivals]);
  // What is laid and stands in no list yet was made a moment ago.
  const next = steadyOrder(order, order.length === 0 ? made : [...imported, ...onCloth], [
    ...onCloth,
    ...(words === '' ? (drawer ?? []).map(({ id }) => id) : []),
  ]);
  if (drawer && next !== order) setOrder(next);

  return useMemo(() => {
    const byId = new Map(known.map((motif) => [motif.id, motif]));
    const found = words.trim().toLowerCase().split(/\s+/);
    const inDrawer = new Set((drawer ?? []).map(({ id }) => id));
    const besides = new Set([...onCloth, ...imported, ...made]);
    const isShown = (motif: DesignMotif): boolean => {
      if (inDrawer.has(motif.id)) return true;
      const text = [motif.name, motif.collection, ...motif.tags].join(' ').toLowerCase();
      return besides.has(motif.id) && !motif.deleted && found.every((word) => text.includes(word));
    };
    const ordered = new Set(order);
    return [
      ...order.flatMap((id) => byId.get(id) ?? []).filter(isShown),
      ...(drawer ?? []).filter(({ id }) => !ordered.has(id)),
    ];
  }, [known, drawer, onCloth, imported, made, order, words]);
}

function mostUsedFirst(motifs: readonly string[]): string[] {
  const uses = new Map<string, number>();
  for (const id of motifs) uses.set(id, (uses.get(id) ?? 0) + 1);
  return [...uses.keys()].sort((a, b) => (uses.get(b) ?? 0) - (uses.get(a) ?? 0));
}
