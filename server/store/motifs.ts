import type { Motif } from '../../core/motif/index.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';

/** A motif with the picture that the tray shows and what the drawer knows of it. */
export interface StoredMotif extends Motif {
  readonly thumbnail: string;
  readonly tags: readonly string[];
}

/** A motif as the drawer lists it. */
export interface ListedMotif extends StoredMotif {
  /** Designs it is used in. */
  readonly uses: number;
  /** No longer in the drawer, but still on the cloth of a design. */
  readonly deleted: boolean;
  readonly createdAt: string;
}

/** What of a motif can be changed. */
export type MotifChange = Partial<
  Pick<
    StoredMotif,
    'name' | 'width' | 'collection' | 'tags' | 'artwork' | 'view' | 'inks' | 'source' | 'thumbnail' | 'recipe'
  >
>;

const COLUMNS = 'id, name, collection, width, artwork, view, inks, source, thumbnail, tags, recipe';
/** Every motif that lies in a bundle, with the bundle, through bundles in bundles. */
const HELD = `held AS (
  SELECT DISTINCT motifs.id AS holder, one->>'motif' AS part FROM motifs, jsonb_array_elements(recipe->'parts') AS one
  UNION
  SELECT motifs.id, held.part FROM held, motifs, jsonb_array_elements(motifs.recipe->'parts') AS one WHERE one->>'motif' = held.holder
)`;
/** Columns of a change, in the order of its parameters; those kept as JSON are marked. */
const CHANGED = {
  name: '',
  width: '',
  collection: '',
  tags: 'jsonb',
  artwork: '',
  view: 'jsonb',
  inks: 'jsonb',
  source: '',
  thumbnail: '',
  recipe: 'jsonb',
} as const;

export async function insertMotif(queries: Queries, motif: StoredMotif): Promise<void> {
  const { id, name, collection, width, artwork, view, inks, source, thumbnail, tags, recipe } = motif;
  await queries.query(`INSERT INTO motifs (${COLUMNS}) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`, [
    id,
    name,
    collection,
    width,
    artwork,
    JSON.stringify(view),
    JSON.stringify(inks),
    source,
    thumbnail,
    JSON.stringify(tags),
    recipe && JSON.stringify(recipe),
  ]);
}

/** The drawer, oldest first, and what was deleted from it but is still used. */
export async function listMotifs(queries: Queries): Promise<ListedMotif[]> {
  const { rows } = await queries.query<Omit<ListedMotif, 'createdAt'> & { createdAt: Date }>(
    `WITH RECURSIVE ${HELD}, placed AS (
       SELECT DISTINCT placement->>'motif' AS motif, designs.id AS design
       FROM designs, jsonb_array_elements(document->'placements') AS placement
       WHERE deleted_at IS NULL
     ), used AS (
       SELECT motif, count(DISTINCT design) AS uses
       FROM (SELECT * FROM placed UNION SELECT held.part, placed.design FROM held JOIN placed ON placed.motif = held.holder) AS every
       GROUP BY 1
     )
     SELECT ${COLUMNS}, deleted_at IS NOT NULL AS deleted, created_at AS "createdAt", coalesce(used.uses, 0)::integer AS uses
     FROM motifs LEFT JOIN used ON used.motif = motifs.id
     WHERE deleted_at IS NULL OR used.uses > 0
       OR EXISTS (SELECT 1 FROM held JOIN motifs AS holder ON holder.id = held.holder WHERE held.part = motifs.id AND holder.deleted_at IS NULL)
     ORDER BY created_at, id`,
  );
  return rows.map((row) => ({ ...row, createdAt: row.createdAt.toISOString() }));
}

/** The bundles that have the motif as a part, live ones and those only kept. */
export async function holdersOf(queries: Queries, id: string): Promise<StoredMotif[]> {
  return (
    await queries.query<StoredMotif>(`SELECT ${COLUMNS} FROM motifs WHERE recipe @> $1::jsonb`, [
      JSON.stringify({ parts: [{ motif: id }] }),
    ])
  ).rows;
}

export async function motifsById(queries: Queries, ids: readonly string[]): Promise<StoredMotif[]> {
  return (await queries.query<StoredMotif>(`SELECT ${COLUMNS} FROM motifs WHERE id = ANY($1)`, [[...new Set(ids)]]))
    .rows;
}

/** The motif of the drawer that was made from this very file. */
export async function motifFromSource(queries: Queries, source: string): Promise<StoredMotif | undefined> {
  return (
    await queries.query<StoredMotif>(`SELECT ${COLUMNS} FROM motifs WHERE source = $1 AND deleted_at IS NULL LIMIT 1`, [
      source,
    ])
  ).rows[0];
}

export async function changeMotif(queries: Queries, id: string, change: MotifChange): Promise<StoredMotif> {
  const columns = Object.keys(CHANGED) as (keyof typeof CHANGED)[];
  const values = columns.map((column) => {
    const value = change[column];
    return value === undefined ? null : CHANGED[column] ? JSON.stringify(value) : value;
  });
  const sets = columns.map(
    (column, i) => `${column} = coalesce($${i + 2}${CHANGED[column] ? '::jsonb' : ''}, ${column})`,
  );
  const { rows } = await queries.query<StoredMotif>(
    `UPDATE motifs SET ${sets.join(', ')} WHERE id = $1 RETURNING ${COLUMNS}`,
    [id, ...values],
  );
  if (!rows[0]) throw notFound('motif');
  return rows[0];
}

/** The designs that use a motif, by itself or in a bundle, and how often it lies in each. */
export async function usesOfMotif(
  queries: Queries,
  id: string,
): Promise<{ id: string; name: string; count: number }[]> {
  const { rows } = await queries.query<{ id: string; name: string; count: number }>(
    `WITH RECURSIVE ${HELD}
     SELECT designs.id, document->>'name' AS name, count(*)::integer AS count
     FROM designs, jsonb_array_elements(document->'placements') AS placement
     WHERE deleted_at IS NULL AND (placement->>'motif' = $1 OR placement->>'motif' IN (SELECT holder FROM held WHERE part = $1))
     GROUP BY 1, 2 ORDER BY 2, 1`,
    [id],
  );
  return rows;
}

/** Takes a motif out of the drawer, or puts it back. */
export async function setMotifDeleted(queries: Queries, id: string, deleted: boolean): Promise<void> {
  const { rows } = await queries.query(
    'UPDATE motifs SET deleted_at = CASE WHEN $2 THEN now() END WHERE id = $1 RETURNING id',
    [id, deleted],
  );
  if (!rows[0]) throw notFound('motif');
}
