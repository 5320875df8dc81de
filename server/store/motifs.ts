import type * as contract from '../../contract/index.ts';
import type { DesignMotif, ListedMotif, MotifOrder, QueryOf, StoredMotif } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { motifsIn } from '../../core/recipe/index.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';

type AnyOf<T> = { readonly [K in keyof T]?: T[K] | undefined };

/** What of a motif can be changed. */
export type MotifChange = AnyOf<
  Pick<
    StoredMotif,
    'name' | 'width' | 'collection' | 'tags' | 'artwork' | 'view' | 'inks' | 'source' | 'thumbnail' | 'recipe'
  >
>;

const COLUMNS = 'id, name, collection, width, artwork, view, inks, source, thumbnail, tags, recipe';
const DELETED = 'deleted_at IS NOT NULL AS deleted';
/** The motifs that motifs are made of: parts of bundles, leaves of vines, those of arrays and their corners. */
const MADE_OF = `made_of AS (
  SELECT DISTINCT motifs.id AS holder, part #>> '{}' AS part
  FROM motifs, LATERAL (
    SELECT jsonb_path_query(recipe, '$.parts[*].motif') UNION ALL SELECT jsonb_path_query(recipe, '$.leaves[*].motif')
    UNION ALL SELECT jsonb_path_query(recipe, '$.motif') UNION ALL SELECT jsonb_path_query(recipe, '$.layout.corner ? (@ != null)')
  ) AS parts(part)
)`;
/** Every motif that lies in another, with that one, through motifs in motifs in motifs. */
const HELD = `${MADE_OF}, held AS (
  SELECT holder, part FROM made_of
  UNION
  SELECT made_of.holder, held.part FROM held JOIN made_of ON made_of.part = held.holder
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
  // Several in one transaction are still one after the other.
  await queries.query(
    `INSERT INTO motifs (${COLUMNS}, created_at) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, clock_timestamp())`,
    [
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
    ],
  );
}

/** Motifs as the drawer lists them; `used` is known within. */
const LISTED = `WITH RECURSIVE ${HELD}, placed AS (
       SELECT motif, design FROM uses JOIN designs ON designs.number = design WHERE deleted_at IS NULL
     ), used AS (
       SELECT motif, count(DISTINCT design) AS uses
       FROM (SELECT * FROM placed UNION SELECT held.part, placed.design FROM held JOIN placed ON placed.motif = held.holder) AS every
       GROUP BY 1
     )
     SELECT ${COLUMNS}, deleted_at IS NOT NULL AS deleted, created_at AS "createdAt", coalesce(used.uses, 0)::integer AS uses,
            count(*) OVER ()::integer AS total
     FROM motifs LEFT JOIN used ON used.motif = motifs.id`;

/** Orders of the drawer; equals by name, numbers in names by their value. */
const ORDERED: Readonly<Record<MotifOrder, string>> = {
  newest: 'created_at DESC',
  name: 'motifs.id IS NULL',
  used: 'uses DESC',
  size: "width * width * (view->>'height')::float8 / (view->>'width')::float8 DESC",
};
const BY_NAME = String.raw`regexp_replace(regexp_replace(lower(name), '\d+', '000000000\&', 'g'), '0*(\d{10})', '\1', 'g'), id`;

type ListedRow = Omit<ListedMotif, 'createdAt'> & { createdAt: Date; total: number };

function listed(row: ListedRow): ListedMotif {
  const { total, ...motif } = row;
  return { ...motif, createdAt: row.createdAt.toISOString() };
}

/** One page of the drawer. Every word has to be in a motif's name, collection or tags. */
export async function listMotifs(
  queries: Queries,
  { words = '', collection, order, offset, limit }: QueryOf<typeof contract.listMotifs>,
): Promise<{ motifs: ListedMotif[]; total: number }> {
  const patterns = words
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`);
  const { rows } = await queries.query<ListedRow>(
    `${LISTED}
     WHERE deleted_at IS NULL AND ($1::text IS NULL OR collection = $1)
       AND lower(concat_ws(' ', name, collection, tags::text)) LIKE ALL ($2::text[])
     ORDER BY ${ORDERED[order]}, ${BY_NAME} OFFSET $3 LIMIT $4`,
    [collection ?? null, patterns, offset, limit],
  );
  return { motifs: rows.map(listed), total: rows[0]?.total ?? (offset > 0 ? offset : 0) };
}

/** The collections of the drawer by name, with how many motifs each holds. */
export async function listCollections(queries: Queries): Promise<{ name: string; count: number }[]> {
  const { rows } = await queries.query<{ name: string; count: number }>(
    'SELECT collection AS name, count(*)::integer AS count FROM motifs WHERE deleted_at IS NULL GROUP BY 1',
  );
  return rows.sort((a, b) => a.name.localeCompare(b.name, 'en-GB', { numeric: true }));
}

/** A motif as the drawer lists it, also a deleted one. @throws Problem 404 */
export async function readListedMotif(queries: Queries, id: string): Promise<ListedMotif> {
  const { rows } = await queries.query<ListedRow>(`${LISTED} WHERE motifs.id = $1`, [id]);
  if (!rows[0]) throw notFound('motif');
  return listed(rows[0]);
}

/** The motifs and all that they are made of, each after its parts. */
async function withParts<M extends StoredMotif>(
  motifs: readonly M[],
  read: (ids: readonly string[]) => Promise<M[]>,
): Promise<M[]> {
  const all = new Map(motifs.map((motif) => [motif.id, motif]));
  for (let level: readonly M[] = motifs; level.length > 0;) {
    const missing = [...new Set(level.flatMap(({ recipe }) => motifsIn(recipe)))].filter((id) => !all.has(id));
    level = missing.length === 0 ? [] : await read(missing);
    for (const motif of level) all.set(motif.id, motif);
  }
  const ordered = new Set<M>();
  const add = (motif: M): void => {
    for (const id of motifsIn(motif.recipe)) {
      const part = all.get(id);
      if (part && !ordered.has(part)) add(part);
    }
    ordered.add(motif);
  };
  motifs.forEach(add);
  return [...ordered];
}

/** The motifs of a collection and all that they are made of, each after its parts, oldest first. */
export async function motifsOfCollection(queries: Queries, collection: string): Promise<StoredMotif[]> {
  const { rows } = await queries.query<StoredMotif>(
    `SELECT ${COLUMNS} FROM motifs WHERE collection = $1 AND deleted_at IS NULL ORDER BY created_at, id`,
    [collection],
  );
  return withParts(rows, (ids) => motifsById(queries, ids));
}

/** Every motif in the drawer. */
export async function everyMotif(queries: Queries): Promise<StoredMotif[]> {
  return (await queries.query<StoredMotif>(`SELECT ${COLUMNS} FROM motifs WHERE deleted_at IS NULL`)).rows;
}

/** The motifs in the drawer that have this name. */
export async function motifsNamed(queries: Queries, name: string): Promise<StoredMotif[]> {
  return (
    await queries.query<StoredMotif>(`SELECT ${COLUMNS} FROM motifs WHERE name = $1 AND deleted_at IS NULL`, [name])
  ).rows;
}

/** The motifs that a design names, on its cloth, in its recipes and in its alternatives, with their parts. */
export async function motifsOfDesign(queries: Queries, design: Design): Promise<DesignMotif[]> {
  const placed = [...new Set(design.placements.map(({ motif }) => motif))].map((motif) => ({ motif }));
  const { rows } = await queries.query<DesignMotif>(
    `WITH documents AS (
       SELECT $2::jsonb AS document UNION ALL SELECT document FROM alternatives WHERE design_id = $1
     ), named AS (
       SELECT placement->>'motif' AS motif FROM documents, jsonb_array_elements(document->'placements') AS placement
       UNION SELECT entry->>'motif' FROM documents, jsonb_path_query(document, '$.toss.recipe.entries[*]') AS entry
       UNION SELECT document->'layout'->'recipe'->>'motif' FROM documents
       UNION SELECT motif #>> '{}' FROM documents, jsonb_path_query(document, '$.layout.recipe.rows[*][*]') AS motif
     )
     SELECT ${COLUMNS}, ${DELETED} FROM motifs WHERE id IN (SELECT motif FROM named) ORDER BY created_at, id`,
    [design.id, JSON.stringify({ placements: placed, toss: design.toss, layout: design.layout })],
  );
  return withParts(rows, async (ids) => {
    const parts = await queries.query<DesignMotif>(`SELECT ${COLUMNS}, ${DELETED} FROM motifs WHERE id = ANY($1)`, [
      ids,
    ]);
    return parts.rows;
  });
}

/** The first of the ids that no motif has. */
export async function missingMotif(queries: Queries, ids: readonly string[]): Promise<string | undefined> {
  const { rows } = await queries.query<{ id: string }>('SELECT id FROM motifs WHERE id = ANY($1)', [[...new Set(ids)]]);
  const present = new Set(rows.map(({ id }) => id));
  return ids.find((id) => !present.has(id));
}

/** The motifs that are made of the motif, live ones and those only kept. */
export async function holdersOf(queries: Queries, id: string): Promise<StoredMotif[]> {
  return (
    await queries.query<StoredMotif>(
      `SELECT ${COLUMNS} FROM motifs WHERE ${[1, 2, 3, 4].map((n) => `recipe @> $${n}::jsonb`).join(' OR ')}`,
      [{ parts: [{ motif: id }] }, { leaves: [{ motif: id }] }, { motif: id }, { layout: { corner: id } }].map((held) =>
        JSON.stringify(held),
      ),
    )
  ).rows;
}

export async function motifsById(queries: Queries, ids: readonly string[]): Promise<StoredMotif[]> {
  return (await queries.query<StoredMotif>(`SELECT ${COLUMNS} FROM motifs WHERE id = ANY($1)`, [[...new Set(ids)]]))
    .rows;
}

/** The motif of the drawer that is this very file, as it is: a tile or a cut-out of it is another motif. */
export async function motifFromSource(queries: Queries, source: string): Promise<StoredMotif | undefined> {
  return (
    await queries.query<StoredMotif>(
      `SELECT ${COLUMNS} FROM motifs WHERE source = $1 AND recipe IS NULL AND deleted_at IS NULL LIMIT 1`,
      [source],
    )
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
     SELECT designs.id, name, sum(count)::integer AS count
     FROM designs JOIN uses ON uses.design = designs.number
     WHERE deleted_at IS NULL AND (motif = $1 OR motif IN (SELECT holder FROM held WHERE part = $1))
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
