import type { Design, Layer, Placement } from '../../../core/document/index.ts';

/** A line of the stack list, topmost first: a layer's own, or a motif's in it. */
export type StackRow =
  | {
      readonly kind: 'layer';
      readonly key: string;
      readonly layer: Layer;
      readonly count: number;
      readonly folded: boolean;
    }
  | {
      readonly kind: 'motif';
      readonly key: string;
      readonly layer: Layer;
      readonly placement: Placement;
      readonly name: string;
    };

/**
 * The lines of the list.
 *
 * @param sought only motifs whose name has this in it, in layers unfolded; all where it is empty
 */
export function stackRows(
  { layers, placements }: Design,
  nameOf: (motif: string) => string,
  folded: ReadonlySet<string>,
  sought: string,
): StackRow[] {
  const words = sought.trim().toLowerCase();
  const inLayer = new Map<string, Placement[]>(layers.map(({ id }) => [id, []]));
  for (const placement of placements) inLayer.get(placement.layer)?.push(placement);
  return layers.toReversed().flatMap((layer): StackRow[] => {
    const held = (inLayer.get(layer.id) ?? []).map((placement) => ({ placement, name: nameOf(placement.motif) }));
    const found = words === '' ? held : held.filter(({ name }) => name.toLowerCase().includes(words));
    const isFolded = words === '' && folded.has(layer.id);
    const rows = isFolded
      ? []
      : found
          .reverse()
          .map(({ placement, name }): StackRow => ({ kind: 'motif', key: placement.id, layer, placement, name }));
    return [{ kind: 'layer', key: `layer ${layer.id}`, layer, count: held.length, folded: isFolded }, ...rows];
  });
}

/** The motifs from one line to another, both with them. */
export function between(rows: readonly StackRow[], a: string, b: string): string[] {
  const [from, to] = [rows.findIndex(({ key }) => key === a), rows.findIndex(({ key }) => key === b)].sort(
    (m, n) => m - n,
  ) as [number, number];
  return rows.slice(Math.max(0, from), to + 1).flatMap((row) => (row.kind === 'motif' ? [row.key] : []));
}
