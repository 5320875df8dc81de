import { json, raw, Router } from 'express';
import { number, object, string } from 'yup';
import { nameSchema } from '../../core/document/schema.ts';
import { importMotif } from '../motifs/importMotif.ts';
import { Problem } from '../problem.ts';
import { changeMotif, listMotifs } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';

export const MOST_UPLOAD_BYTES = 40 * 1024 * 1024;
/** Natural widths beyond these are slips of the hand. */
const LEAST_WIDTH_MM = 0.5;
const MOST_WIDTH_MM = 5000;

const change = object({ name: nameSchema.optional(), width: number().min(LEAST_WIDTH_MM).max(MOST_WIDTH_MM).optional() }).noUnknown().required();
const upload = object({ name: string().required().max(1000), collection: string().trim().max(120).default('My motifs') });

/** Motifs: listing, bringing in, renaming and resizing. */
export function motifRoutes(studio: Studio): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await listMotifs(studio.database));
  });

  // One file a request, as it is, so that each has its own progress and its own outcome.
  router.post('/', (request, _response, next) => {
    if (Number(request.headers['content-length'] ?? 0) > MOST_UPLOAD_BYTES) throw tooLarge();
    next();
  }, raw({ type: () => true, limit: MOST_UPLOAD_BYTES }), async (request, response) => {
    const { name, collection } = upload.validateSync(request.query);
    const content: unknown = request.body;
    if (!Buffer.isBuffer(content) || content.length === 0) throw new Problem(422, 'Empty file', `“${name.slice(0, 60)}” is empty. Nothing was added.`);
    response.status(201).json(await importMotif(studio, name, content, collection));
  });

  router.patch('/:id', json(), async (request, response) => {
    response.json(await changeMotif(studio.database, request.params.id, change.validateSync(request.body, { strict: true })));
  });

  return router;
}

function tooLarge(): Problem {
  return new Problem(413, 'Too large', 'The file is larger than 40 MB. Nothing was added; make it smaller and bring it again.');
}
