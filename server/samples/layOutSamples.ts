import type { Database } from '../store/database.ts';
import { fileURLToPath } from 'node:url';
import { NO_STEPS, type Recipe } from '../../core/recipe/index.ts';
import { BUILT, BUNDLES, PICTURES, SHEETS } from '../../demo/built.ts';
import { COLLECTION, LOW_TIDE, PAINTED } from '../../demo/collection.ts';
import { DRAWN } from '../../demo/drawn.ts';
import { sampleMotifId } from '../../demo/sampleDesign.ts';
import { SAMPLE_DESIGNS, SAMPLE_SWATCHES } from '../../demo/samples.ts';
import { SAMPLE_SHELVES } from '../../demo/shelves.ts';
import { SAMPLE_TRY_ONS } from '../../demo/tryOns.ts';
import { importMotif } from '../motifs/importMotif.ts';
import { makeMotif, remakeMotif } from '../motifs/makeMotif.ts';
import { sourceFileAt } from '../store/sourceFile.ts';
import { saveShelf } from '../store/shelves.ts';
import { insertScan } from '../store/scans.ts';
import { insertSwatches } from '../store/swatches.ts';
import { insertTryOn } from '../store/tryOns.ts';
import { motifsById } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';
import { paintSwatch } from '../swatches/paintSwatch.ts';

const SHEET_DPI = 300;

/** Lays the sample collection out in a studio that was never opened before; one that has begun to be is finished. */
export async function layOutSamples(studio: Studio, say: (line: string) => void): Promise<void> {
  const { database } = studio;
  if (!(await samplesAreDue(database))) return;
  say(`Laying out the sample collection “${COLLECTION}” …`);
  const has = async (table: 'motifs' | 'designs' | 'swatches' | 'sheets' | 'try_ons', id: string): Promise<boolean> =>
    (await database.query(`SELECT 1 FROM ${table} WHERE id = $1`, [id])).rows.length > 0;
  const makeOnce = async (id: string, name: string, recipe: Recipe): Promise<void> => {
    if (!(await has('motifs', sampleMotifId(id))))
      await makeMotif(studio, { id: sampleMotifId(id), name, collection: COLLECTION }, recipe);
  };
  // The scanner takes its time, which the motifs are drawn in.
  const sheets = Promise.all(
    SHEETS.map(async ({ id, name, original, steps }) => {
      if (await has('sheets', id)) return;
      const picture = await studio.pool.run({ kind: 'scan', original, dpi: SHEET_DPI, blobs: studio.blobs.folder });
      await insertScan(database, { id, name, steps, ...picture });
    }),
  );
  for (const { id, name, widthMm } of LOW_TIDE) {
    const motif = sampleMotifId(id);
    if (await has('motifs', motif)) continue;
    const file = await sourceFileAt(fileURLToPath(new URL(`../../demo/motifs/${id}.svg`, import.meta.url)));
    await importMotif(studio, `${id}.svg`, file, COLLECTION, { id: motif, name, width: widthMm });
  }
  for (const { id, name, widthMm, palette } of PAINTED) {
    const motif = sampleMotifId(id);
    if (await has('motifs', motif)) continue;
    const file = await sourceFileAt(fileURLToPath(new URL(`../../demo/motifs/${id}.png`, import.meta.url)));
    const { motif: painted } = await importMotif(studio, `${id}.png`, file, COLLECTION, {
      id: motif,
      name,
      width: widthMm,
    });
    await remakeMotif(studio, painted, { kind: 'merged', original: painted.artwork, within: 0, palette });
  }
  for (const { id, name, recipe } of BUILT) await makeOnce(id, name, recipe);
  for (const { id, name, recipe } of DRAWN) await makeOnce(id, name, recipe);
  for (const { id, name, parts } of BUNDLES) await makeOnce(id, name, { kind: 'bundle', parts });
  for (const { id, name, file } of PICTURES) {
    if (await has('sheets', id)) continue;
    const path = fileURLToPath(new URL(`../../demo/pictures/${file}`, import.meta.url));
    const shown = await studio.pool.run({ kind: 'preview', name, file: path, blobs: studio.blobs.folder });
    await insertScan(database, { id, name, steps: NO_STEPS, ...shown });
  }
  await sheets;
  for (const design of SAMPLE_DESIGNS) if (!(await has('designs', design.id))) await studio.designs.insert(design);
  await Promise.all(
    SAMPLE_SWATCHES.map(async ({ id, name, design }) => {
      if (await has('swatches', id)) return;
      const motifs = await motifsById(
        database,
        design.placements.map(({ motif }) => motif),
      );
      // Recoloured swatches are of a design as it never lay in the database, so they name no revision of it.
      const revision = SAMPLE_DESIGNS.includes(design) ? 1 : 0;
      const version = { note: '', designId: design.id, revision, design, motifs };
      await insertSwatches(database, [{ id, name, version: await paintSwatch(studio, version) }]);
    }),
  );
  for (const shelf of SAMPLE_SHELVES) await saveShelf(database, shelf);
  for (const { id, tryOn } of SAMPLE_TRY_ONS) if (!(await has('try_ons', id))) await insertTryOn(database, id, tryOn);
  await setSamples(database, 'laid');
}

/** A studio is asked once, when it is new, whether it wants the samples. */
export async function declineSamples({ database }: Studio): Promise<void> {
  if (await samplesAreDue(database)) await setSamples(database, 'declined');
}

async function samplesAreDue(database: Database): Promise<boolean> {
  const { rows } = await database.query<{ samples: string }>('SELECT samples FROM studio');
  return rows[0]?.samples === 'due';
}

async function setSamples(database: Database, samples: 'laid' | 'declined'): Promise<void> {
  await database.query('UPDATE studio SET samples = $1', [samples]);
}
