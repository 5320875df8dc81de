import type { Motif } from '../../core/motif/motif.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';

/** A motif with the picture that the tray shows. */
export interface StoredMotif extends Motif {
  readonly thumbnail: string;
}

const COLUMNS = 'id, name, collection, width, artwork, view, inks, source, thumbnail';

export async function insertMotif(queries: Queries, motif: StoredMotif): Promise<void> {
  const { id, name, collection, width, artwork, view, inks, source, thumbnail } = motif;
  await queries.query(`INSERT INTO motifs (${COLUMNS}) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)`, [
    id, name, collection, width, artwork, JSON.stringify(view), JSON.stringify(inks), source, thumbnail,
  ]);
}

export async function listMotifs(queries: Queries): Promise<StoredMotif[]> {
  return (await queries.query<StoredMotif>(`SELECT ${COLUMNS} FROM motifs ORDER BY created_at, id`)).rows;
}

export async function motifsById(queries: Queries, ids: readonly string[]): Promise<StoredMotif[]> {
  return (await queries.query<StoredMotif>(`SELECT ${COLUMNS} FROM motifs WHERE id = ANY($1)`, [[...new Set(ids)]])).rows;
}

export async function changeMotif(queries: Queries, id: string, change: { name?: string; width?: number }): Promise<StoredMotif> {
  const { rows } = await queries.query<StoredMotif>(
    `UPDATE motifs SET name = coalesce($2, name), width = coalesce($3, width) WHERE id = $1 RETURNING ${COLUMNS}`,
    [id, change.name ?? null, change.width ?? null],
  );
  if (!rows[0]) throw notFound('motif');
  return rows[0];
}
