import { json, raw, Router, type RequestHandler } from 'express';
import { nanoid } from 'nanoid';
import { array, number, object, string } from 'yup';
import { nameSchema } from '../../core/document/schema.ts';
import { importMotif, replaceArtwork } from '../motifs/importMotif.ts';
import { notFound, Problem } from '../problem.ts';
import { changeMotif, insertMotif, listMotifs, motifsById, setMotifDeleted, usesOfMotif, type StoredMotif } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';

export const MOST_UPLOAD_BYTES = 40 * 1024 * 1024;
/** Natural widths beyond these are slips of the hand. */
const LEAST_WIDTH_MM = 0.5;
const MOST_WIDTH_MM = 5000;

const collectionSchema = string().trim().min(1).max(120);
const tagsSchema = array(string().trim().min(1).max(60).required()).max(50);
const change = object({
  name: nameSchema.optional(),
  width: number().min(LEAST_WIDTH_MM).max(MOST_WIDTH_MM).optional(),
  collection: collectionSchema.optional(),
  tags: tagsSchema.optional(),
})
  .noUnknown()
  .required();
const upload = object({ name: string().required().max(1000), collection: collectionSchema.default('My motifs') });

/** Motifs: listing, bringing in, changing, replacing their artwork, taking out of the drawer. */
export function motifRoutes(studio: Studio): Router {
  const { database } = studio;
  const router = Router();
  // One file a request, as it is, so that each has its own progress and its own outcome.
  const oneFile: RequestHandler[] = [
    (request, _response, next) => {
      if (Number(request.headers['content-length'] ?? 0) > MOST_UPLOAD_BYTES) throw tooLarge();
      next();
    },
    raw({ type: () => true, limit: MOST_UPLOAD_BYTES }),
  ];

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

  router.patch('/:id', json(), async (request, response) => {
    response.json(await changeMotif(database, request.params.id, change.validateSync(request.body, { strict: true })));
  });

  router.get('/:id/uses', async (request, response) => {
    response.json(await usesOfMotif(database, (await one(studio, request.params.id)).id));
  });

  router.post('/:id/duplicate', async (request, response) => {
    const original = await one(studio, request.params.id);
    const copy = { ...original, id: nanoid(12), name: `${original.name.slice(0, 113)} (copy)` };
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

function contentOf(body: unknown, name: string): Buffer {
  if (!Buffer.isBuffer(body) || body.length === 0) throw new Problem(422, 'Empty file', `“${name.slice(0, 60)}” is empty. Nothing was added.`);
  return body;
}

function tooLarge(): Problem {
  return new Problem(413, 'Too large', 'The file is larger than 40 MB. Nothing was added; make it smaller and bring it again.');
}
