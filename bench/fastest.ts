/** The shortest of a few times, ms: what a busy machine adds is left out. */
export function fastest(work: () => unknown, times = 5): number {
  return Math.min(
    ...Array.from({ length: times }, () => {
      const began = performance.now();
      work();
      return performance.now() - began;
    }),
  );
}

/** As `fastest`, of work that is waited for. */
export async function fastestAwaited(work: () => Promise<unknown>, times = 3): Promise<number> {
  let least = Infinity;
  for (let n = 0; n < times; n += 1) {
    const began = performance.now();
    await work();
    least = Math.min(least, performance.now() - began);
  }
  return least;
}
