/** Keeps a value in the browser. @returns whether there was room for it */
export function keep(key: string, value: unknown): boolean {
  try {
    localStorage.setItem(key, JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
}

export function forget(key: string): void {
  if (typeof localStorage !== 'undefined') localStorage.removeItem(key);
}

/** What is kept under a key, or undefined where nothing is, or nothing that this version can read. */
export function read<T>(key: string, readAs: (value: unknown) => T): T | undefined {
  if (typeof localStorage === 'undefined') return undefined;
  const text = localStorage.getItem(key);
  if (text === null) return undefined;
  try {
    return readAs(JSON.parse(text));
  } catch {
    return undefined;
  }
}
