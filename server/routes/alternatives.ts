import { Router } from 'express';
import { nanoid } from 'nanoid';
import { mixed, object } from 'yup';
import { openDesign } from '../../core/document/index.ts';
import { nameSchema } from '../../core/schema/index.ts';
import { Problem } from '../problem.ts';
import {
  removeAlternative,
  keepAlternative,
  listAlternatives,
  readAlternative,
  renameAlternative,
} from '../store/alternatives.ts';
import { readDesign } from '../store/designs.ts';
import type { Studio } from '../studio.ts';

const strict = { strict: true } as const;
const keeping = object({ name: nameSchema, document: mixed().optional() }).noUnknown();
const renaming = object({ name: nameSchema }).noUnknown();

/** A design has at most this many; more could not be told apart. */
const MOST_ALTERNATIVES = 50;

/** The arrangements of a design that are kept under names. */
export function alternativeRoutes({ database }: Studio): Router {
  const router = Router({ mergeParams: true });
  const designOf = (params: unknown): string => (params as { id: string }).id;

  router.get('/', async (request, response) => {
    response.json(await listAlternatives(database, designOf(request.params)));
  });

  // The design as it is saved, or a document of it as it was.
  router.post('/', async (request, response) => {
    const id = designOf(request.params);
    const { name, document } = keeping.validateSync(request.body, strict);
    const { design } = await readDesign(database, id);
    if ((await listAlternatives(database, id)).length >= MOST_ALTERNATIVES) {
      throw new Problem(
        422,
        'Too many',
        `A design keeps at most ${MOST_ALTERNATIVES} alternatives. Nothing was kept; take one away first.`,
      );
    }
    response
      .status(201)
      .json(
        await keepAlternative(
          database,
          nanoid(12),
          name,
          document === undefined ? design : { ...openDesign(document), id },
        ),
      );
  });

  router.get('/:alternative', async (request, response) => {
    response.json(await readAlternative(database, designOf(request.params), request.params.alternative));
  });

  router.patch('/:alternative', async (request, response) => {
    const { name } = renaming.validateSync(request.body, strict);
    response.json(await renameAlternative(database, designOf(request.params), request.params.alternative, name));
  });

  router.delete('/:alternative', async (request, response) => {
    await removeAlternative(database, designOf(request.params), request.params.alternative);
    response.status(204).end();
  });

  return router;
}
