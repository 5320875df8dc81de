import { nanoid } from 'nanoid';
import type { KeptShelf } from '../../contract/index.ts';
import type { Shelf } from '../../core/shelf/index.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';

/** The shelves of inks, by name. */
export async function listShelves(queries: Queries): Promise<KeptShelf[]> {
  const { rows } = await queries.query<KeptShelf>('SELECT id, name, inks FROM ink_shelves ORDER BY lower(name), id');
  return rows;
}

/** Saves a shelf; the one that had its name before is replaced. */
export async function saveShelf(queries: Queries, { name, inks }: Shelf): Promise<KeptShelf> {
  const { rows } = await queries.query<{ id: string }>(
    'UPDATE ink_shelves SET inks = $2 WHERE name = $1 RETURNING id',
    [name, JSON.stringify(inks)],
  );
  const id = rows[0]?.id ?? nanoid(12);
  if (!rows[0])
    await queries.query('INSERT INTO ink_shelves (id, name, inks) VALUES ($1, $2, $3)', [
      id,
      name,
      JSON.stringify(inks),
    ]);
  return { id, name, inks };
}

export async function deleteShelf(queries: Queries, id: string): Promise<void> {
  const { rows } = await queries.query('DELETE FROM ink_shelves WHERE id = $1 RETURNING id', [id]);
  if (!rows[0]) throw notFound('shelf');
}
