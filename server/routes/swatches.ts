import type { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { withBase } from '../../core/colourway/index.ts';
import { colourwayOf } from '../../core/document/index.ts';
import { cutText, MOST_NAME } from '../../core/schema/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { notFound, Problem } from '../problem.ts';
import { motifsById } from '../store/motifs.ts';
import {
  addVersion,
  changeSwatch,
  insertSwatches,
  listBin,
  listSwatches,
  listVersions,
  type NewSwatch,
  readSwatch,
  setSwatchDeleted,
} from '../store/swatches.ts';
import type { Studio } from '../studio.ts';
import { openVersion } from '../swatches/openVersion.ts';
import { paintSwatch } from '../swatches/paintSwatch.ts';

/** The swatch book. */
export function swatchRoutes(studio: Studio): Router {
  const { database, jobs, pool, blobs } = studio;
  const router = apiRouter();

  implement(router, contract.listSwatches, ({ query }) => listSwatches(database, query));
  implement(router, contract.listBin, () => listBin(database));

  implement(router, contract.saveSwatch, async ({ body }) => {
    const { design: designId, revision, name, swatch, note = '', colourways = [] } = body;
    const { design, ...stored } = await studio.designs.read(designId);
    if (stored.revision !== revision)
      throw new Problem(
        409,
        'Changed elsewhere',
        'The design was changed in another window just now. No swatch was saved; look at it again and save once more.',
      );
    // Told at once rather than after the painting.
    const isUnknown = colourways.some((id) => !design.colourways.some((colourway) => colourway.id === id));
    if (isUnknown) throw notFound('colourway');
    if (swatch !== undefined) await listVersions(database, swatch);
    const motifs = await motifsById(
      database,
      design.placements.map(({ motif }) => motif),
    );
    return jobs.start('swatch', async (context) => {
      const shared = { note, designId, revision, motifs };
      if (swatch !== undefined) {
        const version = await paintSwatch(studio, { ...shared, design: withBase(design, colourways[0]) }, context);
        return { swatch, version: await addVersion(database, swatch, version) } satisfies Saved;
      }
      const wished = colourways.length > 0 ? colourways : [undefined];
      const painted: NewSwatch[] = [];
      for (const [n, colourway] of wished.entries()) {
        const progress = (share: number): void => context.progress((n + share) / wished.length);
        const own = withBase(design, colourway);
        const version = await paintSwatch(studio, { ...shared, design: own }, { ...context, progress });
        const called = name ?? design.name;
        const full = wished.length > 1 ? `${called}, ${colourwayOf(own).name}` : called;
        painted.push({ id: nanoid(12), name: cutText(full, MOST_NAME), version });
      }
      await insertSwatches(database, painted);
      return { swatch: painted[0]?.id ?? '', version: 1 } satisfies Saved;
    });
  });

  implement(router, contract.readSwatch, async ({ params }) => {
    const { swatch, version } = await readSwatch(database, params.id);
    return { ...swatch, design: version.design };
  });

  implement(router, contract.changeSwatch, async ({ params, body }) => {
    await changeSwatch(database, params.id, body);
    return (await readSwatch(database, params.id)).swatch;
  });

  implement(router, contract.deleteSwatch, ({ params }) => setSwatchDeleted(database, params.id, true));
  implement(router, contract.restoreSwatch, ({ params }) => setSwatchDeleted(database, params.id, false));

  implement(router, contract.listVersions, ({ params }) => listVersions(database, params.id));

  implement(router, contract.restoreVersion, async ({ params: { id, number } }) => {
    const { version } = await readSwatch(database, id, number);
    await addVersion(database, id, { ...version, note: `Version ${number} restored` });
    return (await readSwatch(database, id)).swatch;
  });

  implement(router, contract.compareVersions, async ({ params: { id }, body }) => {
    const versions = await listVersions(database, id);
    const tileOf = (number: number): string => {
      const tile = versions.find((version) => version.number === number)?.tile;
      if (tile === undefined)
        throw new Problem(404, 'No such version', `This swatch has no version ${number}. Nothing was changed.`);
      return tile;
    };
    return pool.run({ kind: 'compare', from: tileOf(body.from), to: tileOf(body.to), blobs: blobs.folder });
  });

  implement(router, contract.openSwatch, async ({ params }) => {
    const { swatch, version } = await readSwatch(database, params.id);
    return openVersion(studio, swatch.name, version);
  });

  return router;
}

type Saved = contract.ResultOf<typeof contract.saveSwatch>;
