import { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { implement } from '../http/implement.ts';
import { Problem } from '../problem.ts';
import { motifsById } from '../store/motifs.ts';
import {
  addVersion,
  changeSwatch,
  insertSwatch,
  listSwatches,
  listVersions,
  readSwatch,
  setSwatchDeleted,
} from '../store/swatches.ts';
import type { Studio } from '../studio.ts';
import { openVersion } from '../swatches/openVersion.ts';
import { paintSwatch } from '../swatches/paintSwatch.ts';

/** The swatch book. */
export function swatchRoutes(studio: Studio): Router {
  const { database, jobs, pool, blobs } = studio;
  const router = Router();

  implement(router, contract.listSwatches, () => listSwatches(database));
  implement(router, contract.listBin, () => listSwatches(database, 'bin'));

  implement(router, contract.saveSwatch, async ({ body: { design: designId, revision, name, swatch, note = '' } }) => {
    const { design, ...stored } = await studio.designs.read(designId);
    if (stored.revision !== revision)
      throw new Problem(
        409,
        'Changed elsewhere',
        'The design was changed in another window just now. No swatch was saved; look at it again and save once more.',
      );
    // Told at once rather than after the painting.
    if (swatch !== undefined) await listVersions(database, swatch);
    const motifs = await motifsById(
      database,
      design.placements.map(({ motif }) => motif),
    );
    return jobs.start('swatch', async (context) => {
      const version = await paintSwatch(studio, { note, designId, revision, design, motifs }, context);
      if (swatch !== undefined) return { swatch, version: await addVersion(database, swatch, version) } satisfies Saved;
      const id = nanoid(12);
      await insertSwatch(database, id, name ?? design.name, version);
      return { swatch: id, version: 1 } satisfies Saved;
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
