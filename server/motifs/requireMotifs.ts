import { Problem } from '../problem.ts';
import type { Queries } from '../store/database.ts';
import { missingMotif } from '../store/motifs.ts';

/** Makes sure that every motif is there, be it deleted from the drawer. @throws Problem 422 where one is not */
export async function requireMotifs(queries: Queries, ids: readonly string[]): Promise<void> {
  const missing = await missingMotif(queries, ids);
  if (missing !== undefined)
    throw new Problem(
      422,
      'Unknown motif',
      `The design uses a motif (${missing}) that is not in the drawer. Nothing was changed.`,
    );
}
