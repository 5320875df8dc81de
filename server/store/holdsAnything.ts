import type { Queries } from './database.ts';

/** Whether anything was made or brought in here yet. */
export async function holdsAnything(queries: Queries): Promise<boolean> {
  const { rows } = await queries.query<{ holds: boolean }>(
    `SELECT EXISTS (SELECT FROM designs) OR EXISTS (SELECT FROM motifs) OR EXISTS (SELECT FROM sheets) AS holds`,
  );
  return rows[0]?.holds === true;
}
