import type { Font } from '../../contract/index.ts';
import { notFound } from '../problem.ts';
import type { StudioFont } from '../work/tasks.ts';
import type { Queries } from './database.ts';

const SAME = 'lower(family) = lower($1) AND lower(style) = lower($2) AND deleted_at IS NULL';

export async function listFonts(queries: Queries): Promise<Font[]> {
  return (
    await queries.query<Font>(
      'SELECT id, family, style FROM fonts WHERE deleted_at IS NULL ORDER BY lower(family), lower(style)',
    )
  ).rows;
}

/** The fonts in use, with their files. */
export async function fontFiles(queries: Queries): Promise<StudioFont[]> {
  return (
    await queries.query<StudioFont>('SELECT family, file FROM fonts WHERE deleted_at IS NULL ORDER BY created_at, id')
  ).rows;
}

/** Adds a font in place of one of the same family and style. */
export async function insertFont(queries: Queries, { id, family, style }: Font, file: string): Promise<void> {
  await queries.query(`UPDATE fonts SET deleted_at = now() WHERE ${SAME}`, [family, style]);
  await queries.query('INSERT INTO fonts (id, family, style, file) VALUES ($1, $2, $3, $4)', [id, family, style, file]);
}

export async function setFontDeleted(queries: Queries, id: string, isDeleted: boolean): Promise<void> {
  const { rows } = await queries.query<Font>('SELECT id, family, style FROM fonts WHERE id = $1', [id]);
  const [font] = rows;
  if (!font) throw notFound('font');
  // A restored one takes the place of another that came meanwhile.
  if (!isDeleted) await queries.query(`UPDATE fonts SET deleted_at = now() WHERE ${SAME}`, [font.family, font.style]);
  await queries.query('UPDATE fonts SET deleted_at = CASE WHEN $2 THEN now() END WHERE id = $1', [id, isDeleted]);
}
