import { createReadStream, rmSync } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { cleanFileName } from '../../core/export/index.ts';
import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { takeCollection } from '../collections/takeCollection.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { fileOf, implement, orderOf } from '../http/implement.ts';
import { notFound } from '../problem.ts';
import { removeUnfinished } from '../paint/unfinished.ts';
import { newDraft } from '../store/drafts.ts';
import { fontFiles } from '../store/fonts.ts';
import { motifsOfCollection } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';

/** Whole collections as files. */
export function collectionRoutes(studio: Studio): Router {
  const { database, pool, blobs, folder } = studio;
  const router = apiRouter();

  implement(router, contract.readCollectionFile, async (call) => {
    const { query, response } = call;
    const { name } = query;
    const motifs = await motifsOfCollection(database, name);
    if (motifs.length === 0) throw notFound('collection');
    const file = `${newDraft(folder.drafts)}.zip`;
    try {
      await pool.run({ kind: 'pack', name, motifs, blobs: blobs.folder, file }, orderOf(call));
      response.attachment(`${cleanFileName(name, 'Collection')}.zip`).type('application/zip');
      await pipeline(createReadStream(file), response);
    } finally {
      removeUnfinished(file);
      rmSync(file, { force: true });
    }
  });

  implement(router, contract.importCollection, async (call) => {
    const { path: file } = fileOf(call, 'The collection');
    const task = { kind: 'open-collection', file, fonts: await fontFiles(database), blobs: blobs.folder } as const;
    return takeCollection(studio, await pool.run(task, orderOf(call)));
  });

  return router;
}
