import type { StoredTryOn, TryOnSummary } from '../../contract/index.ts';
import type { TryOn } from '../../core/tryon/index.ts';
import { notFound, Problem } from '../problem.ts';
import type { Queries } from './database.ts';

interface Row {
  readonly id: string;
  readonly revision: number;
  readonly document: TryOn;
}

/** The try-ons that are not deleted, the one changed last first. */
export async function listTryOns(queries: Queries): Promise<TryOnSummary[]> {
  const { rows } = await queries.query<Omit<TryOnSummary, 'changedAt'> & { readonly changedAt: Date }>(
    `SELECT id, revision, document->>'name' AS name, document->>'product' AS product,
       jsonb_build_array(document->'source') || jsonb_path_query_array(document, '$.pieces[*].source') AS sources, changed_at AS "changedAt"
     FROM try_ons WHERE deleted_at IS NULL ORDER BY changed_at DESC, id`,
  );
  return rows.map(({ changedAt, ...row }) => ({ ...row, changedAt: changedAt.toISOString() }));
}

export async function insertTryOn(queries: Queries, id: string, tryOn: TryOn): Promise<StoredTryOn> {
  await queries.query('INSERT INTO try_ons (id, document) VALUES ($1, $2)', [id, JSON.stringify(tryOn)]);
  return { id, revision: 1, tryOn };
}

/** @throws Problem 404 */
export async function readTryOn(queries: Queries, id: string): Promise<StoredTryOn> {
  const { rows } = await queries.query<Row>(
    'SELECT id, revision, document FROM try_ons WHERE id = $1 AND deleted_at IS NULL',
    [id],
  );
  if (!rows[0]) throw notFound('try-on');
  const { revision, document } = rows[0];
  return { id, revision, tryOn: document };
}

/** Saves a try-on over the revision it was changed from. @returns the new revision. @throws Problem 404, 409 */
export async function saveTryOn(
  queries: Queries,
  id: string,
  { revision, tryOn, save }: { readonly revision: number; readonly tryOn: TryOn; readonly save?: string | undefined },
): Promise<number> {
  const { rows } = await queries.query<{ revision: number }>(
    `UPDATE try_ons SET document = $3, revision = revision + 1, changed_at = now(), last_save = $4
     WHERE id = $1 AND revision = $2 AND deleted_at IS NULL RETURNING revision`,
    [id, revision, JSON.stringify(tryOn), save ?? null],
  );
  if (rows[0]) return rows[0].revision;
  await readTryOn(queries, id);
  // It arrived before, and its answer was lost.
  const { rows: saved } = await queries.query<{ revision: number }>(
    'SELECT revision FROM try_ons WHERE id = $1 AND last_save = $2',
    [id, save ?? null],
  );
  if (saved[0]) return saved[0].revision;
  throw new Problem(
    409,
    'Changed elsewhere',
    'This try-on was changed in another window meanwhile. That change was kept; reload to go on from it.',
  );
}

/** Deletes a try-on or restores it. @throws Problem 404 */
export async function removeTryOn(queries: Queries, id: string, isDeleted: boolean): Promise<void> {
  const { rows } = await queries.query(
    `UPDATE try_ons SET deleted_at = CASE WHEN $2 THEN now() END WHERE id = $1 RETURNING id`,
    [id, isDeleted],
  );
  if (!rows[0]) throw notFound('try-on');
}
