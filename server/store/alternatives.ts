import type { Alternative } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';
import { openKept } from './openKept.ts';

/** A design has at most this many; more could not be told apart. */
export const MOST_ALTERNATIVES = 50;

const COLUMNS = `id, name, kept_at AS "keptAt", jsonb_array_length(document->'placements') AS motifs`;

type Row = Omit<Alternative, 'keptAt'> & { keptAt: Date };

function listed(row: Row): Alternative {
  return { ...row, keptAt: row.keptAt.toISOString() };
}

/** Oldest first. */
export async function listAlternatives(queries: Queries, design: string): Promise<Alternative[]> {
  const { rows } = await queries.query<Row>(
    `SELECT ${COLUMNS} FROM alternatives WHERE design_id = $1 ORDER BY kept_at, id`,
    [design],
  );
  return rows.map(listed);
}

/** Keeps one more. @returns undefined where there are as many as there may be */
export async function keepAlternative(
  queries: Queries,
  id: string,
  name: string,
  design: Design,
): Promise<Alternative | undefined> {
  const { rows } = await queries.query<Row>(
    `INSERT INTO alternatives (id, design_id, name, document, checked) SELECT $1, $2, $3, $4, true
     WHERE (SELECT count(*) FROM alternatives WHERE design_id = $2) < $5 RETURNING ${COLUMNS}`,
    [id, design.id, name, JSON.stringify(design), MOST_ALTERNATIVES],
  );
  return rows[0] && listed(rows[0]);
}

export async function readAlternative(queries: Queries, design: string, id: string): Promise<Design> {
  const { rows } = await queries.query<{ document: unknown; checked: boolean }>(
    'SELECT document, checked FROM alternatives WHERE design_id = $1 AND id = $2',
    [design, id],
  );
  if (!rows[0]) throw notFound('alternative');
  return openKept(rows[0].document, rows[0].checked);
}

export async function renameAlternative(
  queries: Queries,
  design: string,
  id: string,
  name: string,
): Promise<Alternative> {
  const { rows } = await queries.query<Row>(
    `UPDATE alternatives SET name = $3 WHERE design_id = $1 AND id = $2 RETURNING ${COLUMNS}`,
    [design, id, name],
  );
  if (!rows[0]) throw notFound('alternative');
  return listed(rows[0]);
}

export async function removeAlternative(queries: Queries, design: string, id: string): Promise<void> {
  const { rows } = await queries.query('DELETE FROM alternatives WHERE design_id = $1 AND id = $2 RETURNING id', [
    design,
    id,
  ]);
  if (!rows[0]) throw notFound('alternative');
}
