import { nanoid } from 'nanoid';
import type { ExportPreset } from '../../contract/index.ts';
import { notFound } from '../problem.ts';
import type { Queries } from './database.ts';

interface PresetRow {
  readonly id: string;
  readonly name: string;
  readonly file: Pick<ExportPreset, 'orders' | 'template'>;
}

/** The presets of formats and sizes, by name. */
export async function listPresets(queries: Queries): Promise<ExportPreset[]> {
  const { rows } = await queries.query<PresetRow>('SELECT id, name, file FROM export_presets ORDER BY lower(name), id');
  return rows.map(({ file, ...named }) => ({ ...named, ...file }));
}

/** Saves a preset; the one that had its name before is replaced. */
export async function savePreset(
  queries: Queries,
  { name, orders, template }: Omit<ExportPreset, 'id'>,
): Promise<ExportPreset> {
  const { rows } = await queries.query<{ id: string }>(
    `INSERT INTO export_presets (id, name, file) VALUES ($1, $2, $3)
     ON CONFLICT (name) DO UPDATE SET file = excluded.file RETURNING id`,
    [nanoid(12), name, JSON.stringify({ orders, template })],
  );
  return { id: rows[0]?.id ?? '', name, orders, template };
}

export async function deletePreset(queries: Queries, id: string): Promise<void> {
  const { rows } = await queries.query('DELETE FROM export_presets WHERE id = $1 RETURNING id', [id]);
  if (!rows[0]) throw notFound('preset');
}
