import { rm, stat } from 'node:fs/promises';
import type { Blobs } from '../store/blobs.ts';
import type { Store } from '../store/database.ts';

/** A file goes once nothing has named it for about a day: it is looked once a day, sooner or later. Ms. */
const UNNAMED_MS = 20 * 3600_000;

/**
 * Removes files that nothing has named since the day before, and that nobody has kept anew meanwhile.
 *
 * @param unnamed addresses of the files that nothing names, as they were just looked for
 * @param now as of the epoch, ms
 * @returns how many are gone
 */
export async function sweepFiles(
  { database, blobs }: { readonly database: Store; readonly blobs: Blobs },
  unnamed: readonly string[],
  now = Date.now(),
): Promise<number> {
  const since = new Date(now - UNNAMED_MS);
  const old = await database.transaction(async (queries) => {
    await queries.query('DELETE FROM unnamed_files WHERE NOT address = ANY($1)', [unnamed]);
    await queries.query(
      'INSERT INTO unnamed_files (address, since) SELECT address, $2 FROM unnest($1::text[]) AS address ON CONFLICT DO NOTHING',
      [unnamed, new Date(now)],
    );
    return (await queries.query<{ address: string }>('SELECT address FROM unnamed_files WHERE since <= $1', [since]))
      .rows;
  });
  let gone = 0;
  for (const { address } of old) {
    const path = blobs.pathOf(address);
    const there = await stat(path).catch(() => undefined);
    if (!there || there.mtimeMs > since.getTime()) continue;
    await rm(path, { force: true });
    gone += 1;
  }
  return gone;
}
