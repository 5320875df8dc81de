import type { ListedBackup } from '../../contract/index.ts';
import type { Queries } from './database.ts';

/** The last so many are listed. */
const LISTED = 30;

/** The last first. */
export async function listBackups(queries: Queries): Promise<ListedBackup[]> {
  const { rows } = await queries.query<Omit<ListedBackup, 'madeAt'> & { madeAt: Date }>(
    `SELECT made_at AS "madeAt", bytes::float8 AS bytes, kind FROM backups ORDER BY made_at DESC LIMIT ${LISTED}`,
  );
  return rows.map((row) => ({ ...row, madeAt: row.madeAt.toISOString() }));
}

export async function insertBackup(queries: Queries, { madeAt, bytes, kind }: ListedBackup): Promise<void> {
  await queries.query('INSERT INTO backups (made_at, bytes, kind) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING', [
    madeAt,
    bytes,
    kind,
  ]);
}
