import type { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { cutText } from '../../core/schema/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { fileOf, implement, orderOf } from '../http/implement.ts';
import { importMotif, replaceArtwork, rereadMotif } from '../motifs/importMotif.ts';
import { makeMotif, refreshHolders, remakeMotif } from '../motifs/makeMotif.ts';
import { notFound, Problem } from '../problem.ts';
import { mergeTags } from '../store/mergeTags.ts';
import {
  changeMotif,
  insertMotif,
  listCollections,
  listMotifs,
  motifsById,
  readListedMotif,
  setMotifDeleted,
  usesOfMotif,
} from '../store/motifs.ts';
import type { Studio } from '../studio.ts';

/** Motifs: listing, importing, making, changing, replacing their artwork, deleting from the drawer. */
export function motifRoutes(studio: Studio): Router {
  const { database } = studio;
  const router = apiRouter();

  const motifOf = async (id: string): Promise<contract.StoredMotif> => {
    const [motif] = await motifsById(database, [id]);
    if (!motif) throw notFound('motif');
    return motif;
  };

  implement(router, contract.listMotifs, ({ query }) => listMotifs(database, query));
  implement(router, contract.listCollections, () => listCollections(database));

  implement(router, contract.importMotif, (call) =>
    importMotif(studio, call.query.name, fileOf(call, call.query.name), call.query.collection, {}, orderOf(call)),
  );

  implement(router, contract.replaceArtwork, async (call) => {
    await motifOf(call.params.id);
    return replaceArtwork(studio, call.params.id, call.query.name, fileOf(call, call.query.name), orderOf(call));
  });

  implement(router, contract.rereadMotif, async ({ params }) => rereadMotif(studio, await motifOf(params.id)));

  implement(router, contract.makeMotif, ({ body: { recipe, ...given } }) => makeMotif(studio, given, recipe));

  implement(router, contract.remakeMotif, async ({ params, body: { recipe, from } }) => {
    const motif = await motifOf(params.id);
    if (from !== undefined && from !== motif.artwork)
      throw new Problem(
        409,
        'Changed elsewhere',
        `“${motif.name}” was changed in another window meanwhile. That was kept, and this was not; look at it as it is now, and change it again.`,
      );
    return remakeMotif(studio, motif, recipe);
  });

  implement(router, contract.changeMotif, async ({ params, body }) => {
    const { tagsWere, ...change } = body;
    const { before, changed } = await database.transaction(async (queries) => {
      const [there] = await motifsById(queries, [params.id]);
      if (!there) throw notFound('motif');
      const tags = change.tags && tagsWere && mergeTags(there.tags, tagsWere, change.tags);
      return { before: there, changed: await changeMotif(queries, params.id, { ...change, ...(tags && { tags }) }) };
    });
    if (body.width !== undefined) await refreshHolders(studio, before);
    return changed;
  });

  implement(router, contract.readMotif, ({ params }) => readListedMotif(database, params.id));

  implement(router, contract.listMotifUses, async ({ params }) => usesOfMotif(database, (await motifOf(params.id)).id));

  implement(router, contract.duplicateMotif, async ({ params, body }) => {
    const original = await motifOf(params.id);
    const copy = { ...original, id: nanoid(12), name: body?.name ?? `${cutText(original.name, 113)} (copy)` };
    await insertMotif(database, copy);
    return copy;
  });

  implement(router, contract.deleteMotif, ({ params }) => setMotifDeleted(database, params.id, true));
  implement(router, contract.restoreMotif, ({ params }) => setMotifDeleted(database, params.id, false));

  return router;
}
