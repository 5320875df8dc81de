import type { SwatchSummary } from '../../contract/index.ts';
import { colourwayOf, inksOfGround, openDesign, type Swatch } from '../../core/document/index.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';

type Row = Omit<Swatch, 'savedAt'> & { savedAt: Date };

/** The row with its design as it is written today. */
function opened(row: Row): Row {
  return { ...row, design: openDesign(row.design) };
}

const COLUMNS = `id, name, design_id AS "designId", revision, design, motifs, tile, thumbnail,
  tile_width AS "tileWidth", tile_height AS "tileHeight", saved_at AS "savedAt"`;

export async function insertSwatch(queries: Queries, swatch: Omit<Swatch, 'savedAt'>): Promise<void> {
  await queries.query(
    `INSERT INTO swatches (id, name, design_id, revision, design, motifs, tile, thumbnail, tile_width, tile_height)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [
      swatch.id,
      swatch.name,
      swatch.designId,
      swatch.revision,
      JSON.stringify(swatch.design),
      JSON.stringify(swatch.motifs),
      swatch.tile,
      swatch.thumbnail,
      swatch.tileWidth,
      swatch.tileHeight,
    ],
  );
}

export async function listSwatches(queries: Queries): Promise<SwatchSummary[]> {
  const { rows } = await queries.query<Row>(
    `SELECT ${COLUMNS} FROM swatches WHERE deleted_at IS NULL ORDER BY saved_at DESC, id`,
  );
  return rows.map((row) => summaryOf(opened(row)));
}

export async function readSwatch(queries: Queries, id: string): Promise<Swatch> {
  const { rows } = await queries.query<Row>(`SELECT ${COLUMNS} FROM swatches WHERE id = $1 AND deleted_at IS NULL`, [
    id,
  ]);
  if (!rows[0]) throw notFound('swatch');
  return { ...opened(rows[0]), savedAt: rows[0].savedAt.toISOString() };
}

export function summaryOf(row: Swatch | Row): SwatchSummary {
  const { id, name, designId, design, tile, thumbnail, tileWidth, tileHeight, savedAt } = row;
  const colours = colourwayOf(design).colours;
  const used = new Set(row.motifs.flatMap(({ inks }) => inks));
  const ground = new Set(inksOfGround(design.ground));
  const inks = design.inks.filter((ink) => ground.has(ink.id) || ink.prints.some((colour) => used.has(colour)));
  inks.sort((a, b) => Number(ground.has(b.id)) - Number(ground.has(a.id)));
  return {
    id,
    name,
    designId,
    tile,
    thumbnail,
    tileWidth,
    tileHeight,
    repeat: design.repeat,
    savedAt: savedAt instanceof Date ? savedAt.toISOString() : savedAt,
    colours: inks.map((ink) => colours[ink.id] ?? ink.prints[0] ?? '#000000'),
  };
}

export async function renameSwatch(queries: Queries, id: string, name: string): Promise<void> {
  const { rows } = await queries.query(
    'UPDATE swatches SET name = $2 WHERE id = $1 AND deleted_at IS NULL RETURNING id',
    [id, name],
  );
  if (!rows[0]) throw notFound('swatch');
}

/** Puts a swatch away, or brings it back. */
export async function setSwatchDeleted(queries: Queries, id: string, deleted: boolean): Promise<void> {
  const { rows } = await queries.query(
    'UPDATE swatches SET deleted_at = CASE WHEN $2 THEN now() END WHERE id = $1 RETURNING id',
    [id, deleted],
  );
  if (!rows[0]) throw notFound('swatch');
}
