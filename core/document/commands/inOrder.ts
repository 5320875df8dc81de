/** Things in the order of the ids given; those that are not named follow, in the order that they were in. */
export function inOrder<T extends { readonly id: string }>(things: readonly T[], ids: readonly string[]): readonly T[] {
  const places = new Map(ids.map((id, n) => [id, n]));
  const placeOf = ({ id }: T): number => places.get(id) ?? ids.length;
  return [...things].sort((a, b) => placeOf(a) - placeOf(b));
}
