import { json, Router } from 'express';
import { nanoid } from 'nanoid';
import { array, number, object, string } from 'yup';
import { type Recipe, recipeSchema } from '../../core/recipe/index.ts';
import { nameSchema } from '../../core/schema/index.ts';
import { importMotif, replaceArtwork } from '../motifs/importMotif.ts';
import { makeMotif, refreshHolders, remakeMotif } from '../motifs/makeMotif.ts';
import { notFound } from '../problem.ts';
import {
  changeMotif,
  insertMotif,
  listMotifs,
  motifsById,
  setMotifDeleted,
  usesOfMotif,
  type StoredMotif,
} from '../store/motifs.ts';
import type { Studio } from '../studio.ts';
import { contentOf, oneFile } from './oneFile.ts';

/** Natural widths beyond these are slips of the hand. */
const LEAST_WIDTH_MM = 0.5;
const MOST_WIDTH_MM = 5000;

export const collectionSchema = string().trim().min(1).max(120);
const tagsSchema = array(string().trim().min(1).max(60).required()).max(50);
const change = object({
  name: nameSchema.optional(),
  width: number().min(LEAST_WIDTH_MM).max(MOST_WIDTH_MM).optional(),
  collection: collectionSchema.optional(),
  tags: tagsSchema.optional(),
})
  .noUnknown()
  .required();
/** Five hundred parts are some hundred kilobytes. */
const MOST_RECIPE = '1mb';
const making = object({ name: nameSchema, collection: collectionSchema.required(), recipe: recipeSchema })
  .noUnknown()
  .required();
const remaking = object({ recipe: recipeSchema }).noUnknown().required();
const copying = object({ name: nameSchema.optional() }).noUnknown();
const upload = object({ name: string().required().max(1000), collection: collectionSchema.default('My motifs') });

/** Motifs: listing, bringing in, changing, replacing their artwork, taking out of the drawer. */
export function motifRoutes(studio: Studio): Router {
  const { database } = studio;
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await listMotifs(database));
  });

  router.post('/', ...oneFile, async (request, response) => {
    const { name, collection } = upload.validateSync(request.query);
    response.status(201).json(await importMotif(studio, name, contentOf(request.body, name), collection));
  });

  router.put('/:id/artwork', ...oneFile, async (request, response) => {
    const { name } = upload.validateSync(request.query);
    await one(studio, request.params['id'] as string);
    response.json(await replaceArtwork(studio, request.params['id'] as string, name, contentOf(request.body, name)));
  });

  router.post('/made', json({ limit: MOST_RECIPE }), async (request, response) => {
    const { recipe, ...given } = making.validateSync(request.body, { strict: true });
    response.status(201).json(await makeMotif(studio, given, recipe as Recipe));
  });

  router.put('/:id/recipe', json({ limit: MOST_RECIPE }), async (request, response) => {
    const motif = await one(studio, request.params.id);
    const { recipe } = remaking.validateSync(request.body, { strict: true });
    response.json(await remakeMotif(studio, motif, recipe as Recipe));
  });

  router.patch('/:id', json(), async (request, response) => {
    const changed = await changeMotif(database, request.params.id, change.validateSync(request.body, { strict: true }));
    if (request.body.width !== undefined) await refreshHolders(studio, changed.id);
    response.json(changed);
  });

  router.get('/:id/uses', async (request, response) => {
    response.json(await usesOfMotif(database, (await one(studio, request.params.id)).id));
  });

  router.post('/:id/duplicate', json(), async (request, response) => {
    const original = await one(studio, request.params.id);
    const { name } = copying.validateSync(request.body ?? {}, { strict: true });
    const copy = { ...original, id: nanoid(12), name: name ?? `${original.name.slice(0, 113)} (copy)` };
    await insertMotif(database, copy);
    response.status(201).json(copy);
  });

  router.delete('/:id', async (request, response) => {
    await setMotifDeleted(database, request.params.id, true);
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    await setMotifDeleted(database, request.params.id, false);
    response.status(204).end();
  });

  return router;
}

async function one({ database }: Studio, id: string): Promise<StoredMotif> {
  const [motif] = await motifsById(database, [id]);
  if (!motif) throw notFound('motif');
  return motif;
}
