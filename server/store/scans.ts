import type { Scan } from '../../contract/index.ts';
import { notFound, Problem } from '../problem.ts';
import type { Queries } from './database.ts';

export type ScanChange = Readonly<{
  name?: string | undefined;
  steps?: Scan['steps'] | undefined;
  dpi?: number | undefined;
  /** As they were known; nothing is changed where they are others by now. */
  stepsWere?: Scan['steps'] | undefined;
}>;

const COLUMNS = 'id, name, picture, preview, width, height, dpi, steps';

export async function insertScan(
  queries: Queries,
  { id, name, picture, preview, width, height, dpi, steps }: Scan,
): Promise<void> {
  await queries.query(`INSERT INTO sheets (${COLUMNS}) VALUES ($1, $2, $3, $4, $5, $6, $7, $8)`, [
    id,
    name,
    picture,
    preview,
    width,
    height,
    dpi,
    JSON.stringify(steps),
  ]);
}

/** The shelf, newest first. */
export async function listScans(queries: Queries): Promise<Scan[]> {
  return (
    await queries.query<Scan>(`SELECT ${COLUMNS} FROM sheets WHERE deleted_at IS NULL ORDER BY created_at DESC, id`)
  ).rows;
}

export async function readScan(queries: Queries, id: string): Promise<Scan> {
  const { rows } = await queries.query<Scan>(`SELECT ${COLUMNS} FROM sheets WHERE id = $1`, [id]);
  if (!rows[0]) throw notFound('scan');
  return rows[0];
}

/** The scan on the shelf that is this very picture. */
export async function scanOfPicture(queries: Queries, picture: string): Promise<Scan | undefined> {
  return (
    await queries.query<Scan>(`SELECT ${COLUMNS} FROM sheets WHERE picture = $1 AND deleted_at IS NULL LIMIT 1`, [
      picture,
    ])
  ).rows[0];
}

/** @throws Problem 404; 409 where its steps are others than they were known */
export async function changeScan(
  queries: Queries,
  id: string,
  { name, steps, dpi, stepsWere }: ScanChange,
): Promise<Scan> {
  const { rows } = await queries.query<Scan>(
    `UPDATE sheets SET name = coalesce($2, name), steps = coalesce($3::jsonb, steps), dpi = coalesce($4, dpi)
     WHERE id = $1 AND ($5::jsonb IS NULL OR steps = $5 OR steps = $3::jsonb) RETURNING ${COLUMNS}`,
    [id, name ?? null, steps ? JSON.stringify(steps) : null, dpi ?? null, stepsWere ? JSON.stringify(stepsWere) : null],
  );
  if (rows[0]) return rows[0];
  const { name: known } = await readScan(queries, id);
  throw new Problem(
    409,
    'Changed elsewhere',
    `The cleaning of “${known}” was changed in another window meanwhile. That was kept, and this was not; reload to go on from it.`,
  );
}

export async function setScanDeleted(queries: Queries, id: string, deleted: boolean): Promise<void> {
  const { rows } = await queries.query(
    'UPDATE sheets SET deleted_at = CASE WHEN $2 THEN now() END WHERE id = $1 RETURNING id',
    [id, deleted],
  );
  if (!rows[0]) throw notFound('scan');
}
