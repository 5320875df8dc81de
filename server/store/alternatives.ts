import type { Alternative } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';
import { openKept } from './openKept.ts';

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

export async function keepAlternative(
  queries: Queries,
  id: string,
  name: string,
  design: Design,
): Promise<Alternative> {
  const { rows } = await queries.query<Row>(
    `INSERT INTO alternatives (id, design_id, name, document, checked) VALUES ($1, $2, $3, $4, true) RETURNING ${COLUMNS}`,
    [id, design.id, name, JSON.stringify(design)],
  );
  return listed(rows[0] as Row);
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
