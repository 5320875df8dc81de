import type { DesignSummary, Since, StoredDesign } from '../../contract/index.ts';
import type { PGlite } from '@electric-sql/pglite';
import { apply, type Command, type Design, openDesign } from '../../core/document/index.ts';
import { notFound, Problem } from '../problem.ts';
import type { Queries } from './database.ts';

interface Row {
  document: unknown;
  revision: number;
  updated_at: Date;
}

function stored(row: Row): StoredDesign {
  return { design: openDesign(row.document), revision: row.revision, updatedAt: row.updated_at.toISOString() };
}

export async function insertDesign(queries: Queries, design: Design): Promise<StoredDesign> {
  const { rows } = await queries.query<Row>(
    'INSERT INTO designs (id, document) VALUES ($1, $2) RETURNING document, revision, updated_at',
    [design.id, JSON.stringify(design)],
  );
  return stored(rows[0] as Row);
}

export async function listDesigns(queries: Queries): Promise<DesignSummary[]> {
  const { rows } = await queries.query<Omit<DesignSummary, 'updatedAt'> & { updatedAt: Date }>(
    `SELECT id, document->>'name' AS name, document->'repeat' AS repeat, revision, updated_at AS "updatedAt",
            jsonb_array_length(document->'placements') AS motifs
     FROM designs WHERE deleted_at IS NULL ORDER BY updated_at DESC, id`,
  );
  return rows.map((row) => ({ ...row, updatedAt: row.updatedAt.toISOString() }));
}

export async function readDesign(queries: Queries, id: string): Promise<StoredDesign> {
  const { rows } = await queries.query<Row>(
    'SELECT document, revision, updated_at FROM designs WHERE id = $1 AND deleted_at IS NULL',
    [id],
  );
  if (!rows[0]) throw notFound('design');
  return stored(rows[0]);
}

/** One save: the commands since `revision`, under a name of its own so that it counts once however often it arrives. */
export interface Save {
  readonly save: string;
  readonly revision: number;
  readonly commands: readonly Command[];
}

/** Saves of a design that other windows can still take up one by one; farther behind they read it whole. */
const SAVES_KEPT = 300;

/**
 * Applies a save and returns the new revision.
 *
 * @throws Problem 409 where the design has moved on since `revision`; nothing is changed then
 */
export async function saveDesign(database: PGlite, id: string, { save, revision, commands }: Save): Promise<number> {
  return database.transaction(async (transaction) => {
    const { rows } = await transaction.query<Row>(
      'SELECT document, revision, updated_at FROM designs WHERE id = $1 AND deleted_at IS NULL FOR UPDATE',
      [id],
    );
    const row = rows[0];
    if (!row) throw notFound('design');
    // Sent before and acknowledged to nobody: it counts once.
    const { rows: known } = await transaction.query<{ revision: number }>(
      'SELECT revision FROM saves WHERE design_id = $1 AND save = $2',
      [id, save],
    );
    if (known[0]) return known[0].revision;
    if (row.revision !== revision) {
      throw new Problem(
        409,
        'Changed elsewhere',
        'This design was changed in another window since you opened it. Your edits were not written over that.',
        {
          revision: row.revision,
        },
      );
    }
    const design = commands.reduce(apply, openDesign(row.document));
    await transaction.query(
      'UPDATE designs SET document = $2, revision = revision + 1, updated_at = now() WHERE id = $1',
      [id, JSON.stringify(design)],
    );
    await transaction.query('INSERT INTO saves (design_id, revision, save, commands) VALUES ($1, $2, $3, $4)', [
      id,
      revision + 1,
      save,
      JSON.stringify(commands),
    ]);
    await transaction.query('DELETE FROM saves WHERE design_id = $1 AND revision <= $2', [
      id,
      revision + 1 - SAVES_KEPT,
    ]);
    return revision + 1;
  });
}

/** The revision of a design. @throws Problem 404 */
export async function readRevision(queries: Queries, id: string): Promise<number> {
  const { rows } = await queries.query<{ revision: number }>(
    'SELECT revision FROM designs WHERE id = $1 AND deleted_at IS NULL',
    [id],
  );
  if (!rows[0]) throw notFound('design');
  return rows[0].revision;
}

/** What was saved since a revision, oldest first; null where that is not kept any more. */
export async function savesSince(queries: Queries, id: string, revision: number): Promise<Omit<Since, 'others'>> {
  const now = await readRevision(queries, id);
  if (now <= revision) return { revision: now, saves: [] };
  const { rows: saves } = await queries.query<{ save: string; commands: Command[] }>(
    'SELECT save, commands FROM saves WHERE design_id = $1 AND revision > $2 ORDER BY revision',
    [id, revision],
  );
  return { revision: now, saves: saves.length === now - revision ? saves : null };
}

/** Puts a design away, or brings it back. */
export async function setDesignDeleted(queries: Queries, id: string, deleted: boolean): Promise<void> {
  const { rows } = await queries.query(
    'UPDATE designs SET deleted_at = CASE WHEN $2 THEN now() END WHERE id = $1 RETURNING id',
    [id, deleted],
  );
  if (!rows[0]) throw notFound('design');
}
