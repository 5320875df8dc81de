import { raw, Router } from 'express';
import { object } from 'yup';
import { motifsIn } from '../../core/recipe/index.ts';
import { readCollection } from '../collections/readCollection.ts';
import { fileNameOf } from '../fileName.ts';
import { notFound } from '../problem.ts';
import { listMotifs, type StoredMotif } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';
import { collectionSchema } from './motifs.ts';
import { contentOf } from './oneFile.ts';

const MOST_BYTES = 300 * 1024 * 1024;
const wish = object({ name: collectionSchema.required() });

/** Whole collections as files. */
export function collectionRoutes(studio: Studio): Router {
  const { database, pool, blobs } = studio;
  const router = Router();

  router.get('/file', async (request, response) => {
    const { name } = wish.validateSync(request.query);
    const all = await listMotifs(database);
    const chosen = all.filter(({ collection, deleted }) => collection === name && !deleted);
    if (chosen.length === 0) throw notFound('collection');
    const zip = await pool.run({
      kind: 'pack',
      name,
      motifs: withParts(chosen, new Map(all.map((motif) => [motif.id, motif]))),
      blobs: blobs.folder,
    });
    response
      .attachment(`${fileNameOf(name, 'Collection')}.zip`)
      .type('application/zip')
      .send(Buffer.from(zip));
  });

  router.post('/', raw({ type: () => true, limit: MOST_BYTES }), async (request, response) => {
    response.status(201).json(await readCollection(studio, contentOf(request.body, 'The collection')));
  });

  return router;
}

/** The motifs and all that they are made of, each after its parts. */
function withParts(chosen: readonly StoredMotif[], all: ReadonlyMap<string, StoredMotif>): StoredMotif[] {
  const ordered = new Set<StoredMotif>();
  const add = (motif: StoredMotif): void => {
    for (const part of motifsIn(motif.recipe)) {
      const motif = all.get(part);
      if (motif && !ordered.has(motif)) add(motif);
    }
    ordered.add(motif);
  };
  chosen.forEach(add);
  return [...ordered];
}
