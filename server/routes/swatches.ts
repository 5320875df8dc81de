import { Router } from 'express';
import { nanoid } from 'nanoid';
import { number, object } from 'yup';
import { idSchema, nameSchema } from '../../core/schema/index.ts';
import { Problem } from '../problem.ts';
import { insertDesign, readDesign, type StoredDesign } from '../store/designs.ts';
import { motifsById } from '../store/motifs.ts';
import {
  insertSwatch,
  listSwatches,
  readSwatch,
  renameSwatch,
  setSwatchDeleted,
  summaryOf,
} from '../store/swatches.ts';
import type { Studio } from '../studio.ts';
import { paintSwatch } from '../swatches/paintSwatch.ts';

const saving = object({ design: idSchema, revision: number().integer().min(1).required(), name: nameSchema })
  .noUnknown()
  .required();
const renaming = object({ name: nameSchema }).noUnknown().required();

/** The swatch book. */
export function swatchRoutes(studio: Studio): Router {
  const { database, jobs } = studio;
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await listSwatches(database));
  });

  router.post('/', async (request, response) => {
    const { design: id, revision, name } = saving.validateSync(request.body, { strict: true });
    const stored = await readDesign(database, id);
    if (stored.revision !== revision) {
      throw new Problem(
        409,
        'Changed elsewhere',
        'The design was changed in another window just now. No swatch was saved; look at it again and save once more.',
      );
    }
    const motifs = await motifsById(
      database,
      stored.design.placements.map(({ motif }) => motif),
    );
    const job = await jobs.start('swatch', async (hands) => {
      const swatch = await paintSwatch(
        studio,
        { id: nanoid(12), name, designId: id, revision, design: stored.design, motifs },
        hands,
      );
      await insertSwatch(database, swatch);
      return { swatch: swatch.id };
    });
    response.status(202).json(job);
  });

  router.get('/:id', async (request, response) => {
    const swatch = await readSwatch(database, request.params.id);
    response.json({ ...summaryOf(swatch), design: swatch.design });
  });

  router.patch('/:id', async (request, response) => {
    await renameSwatch(database, request.params.id, renaming.validateSync(request.body, { strict: true }).name);
    response.json(summaryOf(await readSwatch(database, request.params.id)));
  });

  router.delete('/:id', async (request, response) => {
    await setSwatchDeleted(database, request.params.id, true);
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    await setSwatchDeleted(database, request.params.id, false);
    response.status(204).end();
  });

  // The design as it was: the one it came from where nothing has changed since, else a new one.
  router.post('/:id/open', async (request, response) => {
    const swatch = await readSwatch(database, request.params.id);
    const origin: StoredDesign | undefined = await readDesign(database, swatch.designId).catch((error: unknown) => {
      if (error instanceof Problem && error.status === 404) return undefined;
      throw error;
    });
    if (origin?.revision === swatch.revision) {
      response.json({ design: swatch.designId, copied: false });
      return;
    }
    const { design } = await insertDesign(database, { ...swatch.design, id: nanoid(12), name: swatch.name });
    response.status(201).json({ design: design.id, copied: true });
  });

  return router;
}
