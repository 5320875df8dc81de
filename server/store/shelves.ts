import { nanoid } from 'nanoid';
import type { KeptShelf } from '../../contract/index.ts';
import type { Shelf } from '../../core/shelf/index.ts';
import { notFound, Problem } from '../problem.ts';
import type { Queries } from './database.ts';

/** The shelves of inks, by name. */
export async function listShelves(queries: Queries): Promise<KeptShelf[]> {
  const { rows } = await queries.query<KeptShelf>('SELECT id, name, inks FROM ink_shelves ORDER BY lower(name), id');
  return rows;
}

/**
 * Saves a shelf; the one that had its name before is replaced.
 *
 * @param were its inks as they were known, null where none had its name; whatever it was where undefined
 * @throws Problem 409 where it was another by now
 */
export async function saveShelf(
  queries: Queries,
  { name, inks }: Shelf,
  were?: Shelf['inks'] | null,
): Promise<KeptShelf> {
  const { rows } = await queries.query<{ id: string }>(
    `INSERT INTO ink_shelves AS there (id, name, inks) SELECT $1, $2, $3
     WHERE $4::jsonb IS NULL OR $4 = 'null' OR EXISTS (SELECT 1 FROM ink_shelves WHERE name = $2)
     ON CONFLICT (name) DO UPDATE SET inks = excluded.inks WHERE $4::jsonb IS NULL OR there.inks = $4 RETURNING id`,
    [nanoid(12), name, JSON.stringify(inks), were === undefined ? null : JSON.stringify(were)],
  );
  if (rows[0]) return { id: rows[0].id, name, inks };
  throw new Problem(
    409,
    'Changed elsewhere',
    `The shelf “${name}” was changed in another window meanwhile. It stays as it is there; look at it, and save yours again or under another name.`,
  );
}

export async function deleteShelf(queries: Queries, id: string): Promise<void> {
  const { rows } = await queries.query('DELETE FROM ink_shelves WHERE id = $1 RETURNING id', [id]);
  if (!rows[0]) throw notFound('shelf');
}
