/**
 * What a table holds under a key that comes from elsewhere. `table[key]` would also find what every object has: `constructor`,
 * `toString` and so on.
 */
export function own<T>(table: Readonly<Record<string, T>>, key: string): T | undefined {
  return Object.hasOwn(table, key) ? table[key] : undefined;
}
