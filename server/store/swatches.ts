import type { SwatchDetails, SwatchSummary, SwatchVersionSummary } from '../../contract/index.ts';
import { colourwayOf, inksOfGround, openDesign, printerOf, type SwatchVersion } from '../../core/document/index.ts';
import { notFound } from '../problem.ts';
import type { Queries, Store } from './database.ts';
import { mergeTags } from './mergeTags.ts';
import { openKept } from './openKept.ts';

/** A version that is to be saved. */
export type NewVersion = Omit<SwatchVersion, 'number' | 'savedAt'>;

interface SwatchRow {
  readonly id: string;
  readonly name: string;
  readonly book: string;
  readonly tags: readonly string[];
  readonly notes: string;
  readonly newest: number;
  readonly deletedAt: Date | null;
}

type VersionRow = Omit<SwatchVersion, 'savedAt'> & {
  readonly savedAt: Date;
  readonly repeat: SwatchVersionSummary['repeat'] | null;
  readonly colours: SwatchVersionSummary['colours'] | null;
};

const SWATCH = `s.id, s.name, s.book, s.tags, s.notes, s.newest, s.deleted_at AS "deletedAt"`;
/** Without the design, unless what is shown of it is not at hand. */
const SHOWN = `v.number, v.note, v.design_id AS "designId", v.revision, v.tile, v.thumbnail, v.tile_width AS "tileWidth",
  v.tile_height AS "tileHeight", v.saved_at AS "savedAt", v.repeat, v.colours,
  CASE WHEN v.repeat IS NULL THEN v.design END AS design, CASE WHEN v.repeat IS NULL THEN v.motifs END AS motifs`;

/** A swatch that is to be saved for the first time. */
export interface NewSwatch {
  readonly id: string;
  readonly name: string;
  readonly version: NewVersion;
}

/** Saves the first versions of swatches: all of them or none. */
export async function insertSwatches(store: Store, swatches: readonly NewSwatch[]): Promise<void> {
  await store.transaction(async (queries) => {
    for (const { id, name, version } of swatches) {
      await queries.query('INSERT INTO swatches (id, name, newest) VALUES ($1, $2, 1)', [id, name]);
      await insertVersion(queries, id, 1, version);
    }
  });
}

/** Saves another version of a swatch; the ones before stay as they are. @returns its number */
export async function addVersion(store: Store, id: string, version: NewVersion): Promise<number> {
  return store.transaction(async (queries) => {
    const { rows } = await queries.query<{ newest: number }>(
      'UPDATE swatches SET newest = newest + 1, changed_at = now() WHERE id = $1 AND deleted_at IS NULL RETURNING newest',
      [id],
    );
    if (!rows[0]) throw notFound('swatch');
    await insertVersion(queries, id, rows[0].newest, version);
    return rows[0].newest;
  });
}

/** Adds a swatch as it was elsewhere, with all its versions, from the first on. */
export async function insertWholeSwatch(
  queries: Queries,
  id: string,
  { name, book, tags, notes }: SwatchDetails,
  versions: readonly SwatchVersion[],
): Promise<void> {
  await queries.query('INSERT INTO swatches (id, name, book, tags, notes, newest) VALUES ($1, $2, $3, $4, $5, $6)', [
    id,
    name,
    book,
    JSON.stringify(tags),
    notes,
    versions.length,
  ]);
  for (const [n, version] of versions.entries()) await insertVersion(queries, id, n + 1, version, version.savedAt);
}

async function insertVersion(
  queries: Queries,
  id: string,
  number: number,
  version: NewVersion,
  savedAt?: string,
): Promise<void> {
  await queries.query(
    `INSERT INTO swatch_versions
       (swatch_id, number, note, design_id, revision, design, motifs, tile, thumbnail, tile_width, tile_height, repeat, colours, saved_at, checked)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, COALESCE($14::timestamptz, now()), true)`,
    [
      id,
      number,
      version.note,
      version.designId,
      version.revision,
      JSON.stringify(version.design),
      JSON.stringify(version.motifs),
      version.tile,
      version.thumbnail,
      version.tileWidth,
      version.tileHeight,
      JSON.stringify(version.design.repeat),
      JSON.stringify(coloursOf(version)),
      savedAt ?? null,
    ],
  );
}

/** Which part of the book is asked for. */
interface BookPage {
  /** Only those whose newest version was saved from this design. */
  readonly design?: string | undefined;
  readonly offset: number;
  readonly limit: number;
}

/** A page of the book, the swatch changed last first. */
export async function listSwatches(
  queries: Queries,
  { design, offset, limit }: BookPage,
): Promise<{ readonly swatches: SwatchSummary[]; readonly total: number }> {
  const inBook = `FROM swatches s JOIN swatch_versions v ON v.swatch_id = s.id AND v.number = s.newest
    WHERE s.deleted_at IS NULL AND ($1::text IS NULL OR v.design_id = $1)`;
  const { rows } = await queries.query<SwatchRow & VersionRow>(
    `SELECT ${SWATCH}, ${SHOWN} ${inBook} ORDER BY s.changed_at DESC, s.id OFFSET $2 LIMIT $3`,
    [design ?? null, offset, limit],
  );
  const counted = await queries.query<{ total: number }>(`SELECT count(*)::int AS total ${inBook}`, [design ?? null]);
  return { swatches: rows.map(summaryOf), total: counted.rows[0]?.total ?? 0 };
}

/** The swatches in the bin, the one deleted last first. */
export async function listBin(queries: Queries): Promise<SwatchSummary[]> {
  const { rows } = await queries.query<SwatchRow & VersionRow>(
    `SELECT ${SWATCH}, ${SHOWN} FROM swatches s JOIN swatch_versions v ON v.swatch_id = s.id AND v.number = s.newest
     WHERE s.deleted_at IS NOT NULL ORDER BY s.deleted_at DESC, s.id`,
  );
  return rows.map(summaryOf);
}

/** A version of a swatch, the newest unless another is asked for. */
export async function readSwatch(
  queries: Queries,
  id: string,
  number?: number,
): Promise<{ readonly swatch: SwatchSummary; readonly version: SwatchVersion }> {
  const { rows } = await queries.query<SwatchRow & VersionRow & { readonly checked: boolean }>(
    `SELECT ${SWATCH}, ${SHOWN}, v.design, v.motifs, v.checked
     FROM swatches s JOIN swatch_versions v ON v.swatch_id = s.id AND v.number = COALESCE($2, s.newest)
     WHERE s.id = $1 AND s.deleted_at IS NULL`,
    [id, number ?? null],
  );
  const row = rows[0];
  if (!row) throw notFound(number === undefined ? 'swatch' : 'version of this swatch');
  const design = openKept(row.design, row.checked);
  return {
    swatch: summaryOf(row),
    version: {
      number: row.number,
      note: row.note,
      savedAt: row.savedAt.toISOString(),
      designId: row.designId,
      revision: row.revision,
      design,
      motifs: row.motifs,
      tile: row.tile,
      thumbnail: row.thumbnail,
      tileWidth: row.tileWidth,
      tileHeight: row.tileHeight,
    },
  };
}

/** All versions of a swatch, the newest first. */
export async function listVersions(queries: Queries, id: string): Promise<SwatchVersionSummary[]> {
  const { rows } = await queries.query<VersionRow>(
    `SELECT ${SHOWN} FROM swatches s JOIN swatch_versions v ON v.swatch_id = s.id
     WHERE s.id = $1 AND s.deleted_at IS NULL ORDER BY v.number DESC`,
    [id],
  );
  if (rows.length === 0) throw notFound('swatch');
  return rows.map(versionSummaryOf);
}

/** Whether an id is taken, be it by a swatch in the bin. */
export async function hasSwatch(queries: Queries, id: string): Promise<boolean> {
  return (await queries.query('SELECT id FROM swatches WHERE id = $1', [id])).rows.length > 0;
}

/** Everything of a swatch: what stands beside it, and all its versions, the first first. @throws Problem 404 */
export async function readWholeSwatch(
  queries: Queries,
  id: string,
): Promise<{ readonly swatch: SwatchSummary; readonly versions: readonly SwatchVersion[] }> {
  const { swatch } = await readSwatch(queries, id);
  const versions: SwatchVersion[] = [];
  for (const { number } of (await listVersions(queries, id)).reverse())
    versions.push((await readSwatch(queries, id, number)).version);
  return { swatch, versions };
}

/** Changes what stands beside a swatch; what is not named stays. */
/** @param tagsWere the tags as they were known, where it changes them. @throws Problem 404 */
export async function changeSwatch(
  database: Store,
  id: string,
  { tagsWere, ...details }: Partial<SwatchDetails> & { readonly tagsWere?: readonly string[] | undefined },
): Promise<void> {
  if (details.tags === undefined || tagsWere === undefined) return setSwatchDetails(database, id, details);
  const { tags: next } = details;
  await database.transaction(async (queries) => {
    const { rows } = await queries.query<{ tags: string[] }>('SELECT tags FROM swatches WHERE id = $1 FOR UPDATE', [
      id,
    ]);
    await setSwatchDetails(queries, id, { ...details, tags: mergeTags(rows[0]?.tags ?? [], tagsWere, next) });
  });
}

async function setSwatchDetails(queries: Queries, id: string, details: Partial<SwatchDetails>): Promise<void> {
  const { rows } = await queries.query(
    `UPDATE swatches SET name = COALESCE($2, name), book = COALESCE($3, book), tags = COALESCE($4, tags), notes = COALESCE($5, notes)
     WHERE id = $1 AND deleted_at IS NULL RETURNING id`,
    [
      id,
      details.name ?? null,
      details.book ?? null,
      details.tags ? JSON.stringify(details.tags) : null,
      details.notes ?? null,
    ],
  );
  if (!rows[0]) throw notFound('swatch');
}

/** Moves a swatch into the bin, or back into the book. */
export async function setSwatchDeleted(queries: Queries, id: string, deleted: boolean): Promise<void> {
  const { rows } = await queries.query(
    'UPDATE swatches SET deleted_at = CASE WHEN $2 THEN now() END WHERE id = $1 RETURNING id',
    [id, deleted],
  );
  if (!rows[0]) throw notFound('swatch');
}

/** Empties the bin of what has been in it for 30 days. */
export async function emptyBin(queries: Queries): Promise<void> {
  await queries.query(`DELETE FROM swatches WHERE deleted_at < now() - interval '30 days'`);
}

function summaryOf(row: SwatchRow & VersionRow): SwatchSummary {
  const { id, name, book, tags, notes, newest, deletedAt } = row;
  return {
    ...versionSummaryOf(row),
    id,
    name,
    book,
    tags,
    notes,
    newest,
    deletedAt: deletedAt ? deletedAt.toISOString() : null,
  };
}

function versionSummaryOf(row: VersionRow): SwatchVersionSummary {
  const { number, note, designId, tile, thumbnail, tileWidth, tileHeight, savedAt } = row;
  const shown =
    row.repeat && row.colours ? { repeat: row.repeat, colours: row.colours } : shownOf(row.design, row.motifs);
  return { number, note, designId, tile, thumbnail, tileWidth, tileHeight, savedAt: savedAt.toISOString(), ...shown };
}

function shownOf(document: unknown, motifs: SwatchVersion['motifs']): Pick<SwatchVersionSummary, 'repeat' | 'colours'> {
  const design = openDesign(document);
  return { repeat: design.repeat, colours: coloursOf({ design, motifs }) };
}

/** The colours of the ground and of the inks that are printed, the ground's first. */
function coloursOf({ design, motifs }: Pick<SwatchVersion, 'design' | 'motifs'>): SwatchVersionSummary['colours'] {
  const colours = colourwayOf(design).colours;
  const printer = printerOf(design.inks);
  const used = new Set(motifs.flatMap(({ id, inks }) => inks.map((colour) => printer(colour, id)?.id)));
  const ground = new Set(inksOfGround(design.ground));
  const inks = design.inks.filter(({ id }) => ground.has(id) || used.has(id));
  inks.sort((a, b) => Number(ground.has(b.id)) - Number(ground.has(a.id)));
  return inks.map((ink) => colours[ink.id] ?? ink.prints[0] ?? '#000000');
}
