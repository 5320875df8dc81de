import { cleanFileName } from '../../core/export/index.ts';
import { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { readCollection } from '../collections/readCollection.ts';
import { fileOf, implement } from '../http/implement.ts';
import { notFound } from '../problem.ts';
import { motifsOfCollection } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';

/** Whole collections as files. */
export function collectionRoutes(studio: Studio): Router {
  const { database, pool, blobs } = studio;
  const router = Router();

  implement(router, contract.readCollectionFile, async ({ query: { name }, response }) => {
    const motifs = await motifsOfCollection(database, name);
    if (motifs.length === 0) throw notFound('collection');
    const zip = await pool.run({ kind: 'pack', name, motifs, blobs: blobs.folder });
    response
      .attachment(`${cleanFileName(name, 'Collection')}.zip`)
      .type('application/zip')
      .send(Buffer.from(zip));
  });

  implement(router, contract.importCollection, (call) => readCollection(studio, fileOf(call, 'The collection')));

  return router;
}
