import type { Queries } from './database.ts';

/** A save as it is kept; its commands are JSON. */
export interface SaveRow {
  readonly revision: number;
  readonly save: string;
  readonly commands: string;
}

/** The saves of a design since a revision, in order. */
export async function savesAfter(queries: Queries, number: number, revision: number): Promise<SaveRow[]> {
  const { rows } = await queries.query<SaveRow>(
    'SELECT revision, save, commands FROM saves WHERE design = $1 AND revision > $2 ORDER BY revision',
    [number, revision],
  );
  return rows;
}
