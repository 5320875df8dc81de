/** A list in an order by chance (Fisher and Yates, 1938). @param random numbers from 0 to below 1 */
export function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const out = [...list];
  for (let n = out.length - 1; n > 0; n -= 1) {
    const other = Math.floor(random() * (n + 1));
    [out[n], out[other]] = [out[other] as T, out[n] as T];
  }
  return out;
}
