import { type Design, isPlain } from '../document/index.ts';

/**
 * Whether what moves can be drawn over a picture of all below and under one of all above: not where something above
 * blends with what lies under it, or where what moves is part of a layer that is laid down as one.
 *
 * @param live what is drawn by itself; @param above what is painted apart
 */
export function canPaintSeparately(
  { placements, layers }: Design,
  { live, above }: { readonly live: readonly string[]; readonly above: ReadonlySet<string> },
): boolean {
  const alone = new Set(live);
  const groups = new Map(layers.filter((layer) => !isPlain(layer)).map((layer) => [layer.id, layer]));
  return placements.every(({ id, layer, blend }) => {
    const group = groups.get(layer);
    if (alone.has(id)) return group === undefined;
    return !above.has(id) || (group ? group.blend : blend) === 'normal';
  });
}
