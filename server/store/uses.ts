import type { Design } from '../../core/document/index.ts';
import type { Queries } from './database.ts';

/** How often each motif lies in the design. */
export function usesIn({ placements }: Design): Map<string, number> {
  const uses = new Map<string, number>();
  for (const { motif } of placements) uses.set(motif, (uses.get(motif) ?? 0) + 1);
  return uses;
}

/** Whether each motif lies in both as often. */
export function isSameUse(a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>): boolean {
  return a === b || (a.size === b.size && [...a].every(([motif, count]) => b.get(motif) === count));
}

/** Writes down how often each motif lies in a design, as far as that has changed. */
export async function writeUses(
  queries: Queries,
  number: number,
  before: ReadonlyMap<string, number>,
  after: ReadonlyMap<string, number>,
): Promise<void> {
  const gone = [...before.keys()].filter((motif) => !after.has(motif));
  const changed = [...after].filter(([motif, count]) => before.get(motif) !== count);
  if (gone.length > 0) await queries.query('DELETE FROM uses WHERE design = $1 AND motif = ANY($2)', [number, gone]);
  if (changed.length > 0)
    await queries.query(
      `INSERT INTO uses (design, motif, count) SELECT $1, motif, count FROM unnest($2::text[], $3::integer[]) AS used (motif, count)
       ON CONFLICT (design, motif) DO UPDATE SET count = excluded.count`,
      [number, changed.map(([motif]) => motif), changed.map(([, count]) => count)],
    );
}
