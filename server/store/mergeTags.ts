/**
 * Tags after a change that was made to what they were: what it added is there, what it took away is gone, and what another window did
 * meanwhile stays.
 *
 * @param were as whoever changed them knew them; undefined where that is not said, and the change stands as it is
 */
export function mergeTags(
  current: readonly string[],
  were: readonly string[] | undefined,
  next: readonly string[],
): string[] {
  if (were === undefined) return [...next];
  const removed = new Set(were.filter((tag) => !next.includes(tag)));
  const kept = current.filter((tag) => !removed.has(tag));
  return [...kept, ...next.filter((tag) => !were.includes(tag) && !kept.includes(tag))];
}
