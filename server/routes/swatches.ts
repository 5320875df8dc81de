import { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { implement } from '../http/implement.ts';
import { Problem } from '../problem.ts';
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

/** The swatch book. */
export function swatchRoutes(studio: Studio): Router {
  const { database, jobs } = studio;
  const router = Router();

  implement(router, contract.listSwatches, () => listSwatches(database));

  implement(router, contract.saveSwatch, async ({ body: { design: id, revision, name } }) => {
    const { design, ...stored } = await studio.designs.read(id);
    if (stored.revision !== revision)
      throw new Problem(
        409,
        'Changed elsewhere',
        'The design was changed in another window just now. No swatch was saved; look at it again and save once more.',
      );
    const motifs = await motifsById(
      database,
      design.placements.map(({ motif }) => motif),
    );
    return jobs.start('swatch', async (context) => {
      const given = { id: nanoid(12), name, designId: id, revision, design, motifs };
      const swatch = await paintSwatch(studio, given, context);
      await insertSwatch(database, swatch);
      return { swatch: swatch.id } satisfies contract.ResultOf<typeof contract.saveSwatch>;
    });
  });

  implement(router, contract.readSwatch, async ({ params }) => {
    const swatch = await readSwatch(database, params.id);
    return { ...summaryOf(swatch), design: swatch.design };
  });

  implement(router, contract.renameSwatch, async ({ params, body }) => {
    await renameSwatch(database, params.id, body.name);
    return summaryOf(await readSwatch(database, params.id));
  });

  implement(router, contract.deleteSwatch, ({ params }) => setSwatchDeleted(database, params.id, true));
  implement(router, contract.restoreSwatch, ({ params }) => setSwatchDeleted(database, params.id, false));

  // The design it came from where nothing has changed since, else a new one.
  implement(router, contract.openSwatch, async ({ params }) => {
    const swatch = await readSwatch(database, params.id);
    const origin = await studio.designs.read(swatch.designId).catch((error: unknown) => {
      if (error instanceof Problem && error.status === 404) return undefined;
      throw error;
    });
    if (origin?.revision === swatch.revision) return { design: swatch.designId, copied: false };
    const { design } = await studio.designs.insert({ ...swatch.design, id: nanoid(12), name: swatch.name });
    return { design: design.id, copied: true };
  });

  return router;
}
