import { json, Router } from 'express';
import { nanoid } from 'nanoid';
import { number, object, string } from 'yup';
import { type CleanSteps, cleanStepsSchema, NO_STEPS, type ScanRecipe } from '../../core/recipe/index.ts';
import { idSchema, nameSchema } from '../../core/schema/index.ts';
import { nameFrom } from '../motifs/importMotif.ts';
import { keepMotif, remakeMotif } from '../motifs/makeMotif.ts';
import { sniff } from '../motifs/sniff.ts';
import { notFound, Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import { motifsById } from '../store/motifs.ts';
import {
  changeScan,
  insertScan,
  listScans,
  readScan,
  setScanDeleted,
  scanOfPicture,
  type Scan,
} from '../store/scans.ts';
import type { Studio } from '../studio.ts';
import { collectionSchema } from './motifs.ts';
import { contentOf, oneFile } from './oneFile.ts';

const LEAST_DPI = 10;
const MOST_DPI = 5000;
/** Cleaning and cutting a sheet is given up after this long. */
const LONGEST_MS = 300_000;

const upload = object({ name: string().required().max(1000) });
const change = object({
  name: nameSchema.optional(),
  steps: cleanStepsSchema.optional().default(undefined),
  dpi: number().min(LEAST_DPI).max(MOST_DPI).optional(),
})
  .noUnknown()
  .required();
const making = object({
  name: nameSchema,
  collection: collectionSchema.required(),
  steps: cleanStepsSchema,
  replace: idSchema.optional(),
})
  .noUnknown()
  .required();

/** What a finished job of cleaning tells. */
export interface CleanedResult {
  readonly motifs: readonly string[];
}

/** Scans and photographs on the workshop's shelf, and making motifs of them. */
export function scanRoutes(studio: Studio): Router {
  const { database, jobs, pool, blobs } = studio;
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await listScans(database));
  });

  router.post('/', ...oneFile, async (request, response) => {
    const { name } = upload.validateSync(request.query);
    const content = contentOf(request.body, name);
    const kind = sniff(content);
    if (!kind || kind === 'svg')
      throw new Problem(
        415,
        'Not a picture',
        `“${name.slice(0, 60)}” is no PNG, JPEG, WebP, TIFF or AVIF picture. Nothing was added; the workshop cleans pictures only.`,
      );
    response.status(201).json(await shelve(studio, nameFrom(name), blobs.keep(content, kind)));
  });

  router.post('/of-motif/:id', async (request, response) => {
    const [motif] = await motifsById(database, [request.params.id]);
    if (!motif) throw notFound('motif');
    const picture = motif.recipe?.kind === 'scan' ? motif.recipe.picture : motif.source;
    if (!Blobs.isAddress(picture) || /\.(svg|json)$/.test(picture))
      throw new Problem(
        422,
        'Not a picture',
        `“${motif.name}” is drawn in vectors; there is no scan to clean. Nothing was changed.`,
      );
    const sheet = await shelve(studio, motif.name, picture);
    response
      .status(201)
      .json(
        motif.recipe?.kind === 'scan'
          ? await changeScan(database, sheet.id, { steps: motif.recipe.steps, dpi: motif.recipe.dpi })
          : sheet,
      );
  });

  router.get('/:id', async (request, response) => {
    response.json(await readScan(database, request.params.id));
  });

  router.patch('/:id', json(), async (request, response) => {
    const { name, steps, dpi } = change.validateSync(request.body, { strict: true });
    response.json(
      await changeScan(database, request.params.id, {
        ...(name && { name }),
        ...(steps && { steps: steps as CleanSteps }),
        ...(dpi && { dpi }),
      }),
    );
  });

  router.post('/:id/motifs', json(), async (request, response) => {
    const sheet = await readScan(database, request.params.id);
    const { name, collection, replace, ...rest } = making.validateSync(request.body, { strict: true });
    const steps = rest.steps as CleanSteps;
    const recipe: ScanRecipe = { kind: 'scan', picture: sheet.picture, dpi: sheet.dpi, steps, drawing: null };
    const [replaced] = replace === undefined ? [] : await motifsById(database, [replace]);
    if (replace !== undefined && !replaced) throw notFound('motif');
    await changeScan(database, sheet.id, { steps });
    const job = await jobs.start('clean', async (hands): Promise<CleanedResult> => {
      if (replaced) {
        const own = replaced.recipe?.kind === 'scan' ? replaced.recipe.drawing : null;
        return {
          motifs: [(await remakeMotif(studio, replaced, { ...recipe, drawing: steps.cut ? own : null }, hands)).id],
        };
      }
      const drawings = await pool.run({ kind: 'cut', recipe, blobs: blobs.folder }, hands, LONGEST_MS);
      const motifs: string[] = [];
      for (const [n, { recipe: own, drawing }] of drawings.entries()) {
        motifs.push(
          (
            await keepMotif(
              studio,
              {
                name: drawings.length === 1 ? name : `${name.slice(0, 112)} ${n + 1}`,
                collection,
                source: sheet.picture,
              },
              own,
              drawing,
            )
          ).id,
        );
      }
      return { motifs };
    });
    response.status(202).json(job);
  });

  router.delete('/:id', async (request, response) => {
    await setScanDeleted(database, request.params.id, true);
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    await setScanDeleted(database, request.params.id, false);
    response.status(204).end();
  });

  return router;
}

/** Puts a kept picture on the shelf; one that lies there already is recognised. */
async function shelve({ database, pool, blobs }: Studio, name: string, picture: string): Promise<Scan> {
  const there = await scanOfPicture(database, picture);
  if (there) return there;
  const sheet = {
    id: nanoid(12),
    name,
    steps: NO_STEPS,
    ...(await pool.run({ kind: 'preview', name, picture, blobs: blobs.folder }, undefined, LONGEST_MS)),
  };
  await insertScan(database, sheet);
  return sheet;
}
