/** What work comes to; undefined once those who do it are ended, which answer nothing any more. @throws what it fails with */
export function unlessEnded<T>(work: Promise<T>, ended: AbortSignal | undefined): Promise<T | undefined> {
  return new Promise((resolve, reject) => {
    const end = (): void => resolve(undefined);
    if (ended?.aborted) end();
    ended?.addEventListener('abort', end, { once: true });
    work.then(resolve, reject).finally(() => ended?.removeEventListener('abort', end));
  });
}
