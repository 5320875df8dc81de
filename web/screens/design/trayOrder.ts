/**
 * The order in which the tray shows its motifs: as it was, whatever is laid or taken off the cloth meanwhile, so that nothing moves
 * away under the hand. What is new comes first, what is loaded further down the drawer last.
 *
 * @param order ids as they were shown
 * @param fresh ids of what was imported or made since, the newest first
 * @param listed ids of all others
 * @returns the same array where nothing was added
 */
export function steadyOrder(
  order: readonly string[],
  fresh: readonly string[],
  listed: readonly string[],
): readonly string[] {
  const known = new Set(order);
  const without = (ids: readonly string[]): string[] => ids.filter((id) => !known.has(id) && known.add(id));
  const [first, last] = [without(fresh), without(listed)];
  return first.length + last.length === 0 ? order : [...first, ...order, ...last];
}
