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
