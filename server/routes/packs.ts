import { rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { cleanFileName } from '../../core/export/index.ts';
import { hrefOf } from '../exports/exportWork.ts';
import { fileOf, implement } from '../http/implement.ts';
import { readJson } from '../http/readJson.ts';
import { takePack } from '../packs/takePack.ts';
import { writePack } from '../packs/writePack.ts';
import { readSwatch } from '../store/swatches.ts';
import { exportFile, type Studio } from '../studio.ts';
import { openDocument } from '../work/openDocument.ts';

/** Swatches and designs with all that they are made of, as one file. */
export function packRoutes(studio: Studio): Router {
  const { database, jobs, pool, blobs } = studio;
  const router = Router();

  implement(router, contract.startPack, async ({ body: wish }) => {
    // Told at once rather than by the job.
    const names: string[] = [];
    for (const id of wish.swatches) names.push((await readSwatch(database, id)).swatch.name);
    for (const id of wish.designs) names.push((await studio.designs.read(id)).design.name);
    const name = names.length === 1 ? names[0] : `${names.length} swatches`;
    return jobs.start('pack', async (context, id) => {
      const file = exportFile(studio, id);
      await writePack(studio, wish, file, context);
      const fileName = `${cleanFileName(name ?? '', 'Swatches')} pack.zip`;
      return { href: hrefOf(id), fileName, bytes: statSync(file).size } satisfies contract.ResultOf<
        typeof contract.startPack
      >;
    });
  });

  implement(router, contract.importPack, async (call) => {
    const content = fileOf(call, 'The file');
    if (isJson(content)) {
      const design = await openDocument(pool, readJson(withoutMark(content)));
      return takePack(studio, { motifs: [], designs: [design], swatches: [] });
    }
    // Handed over as a file, since it can be larger than what fits between two processes.
    const file = join(studio.exports, `${nanoid()}.part`);
    try {
      writeFileSync(file, content);
      return await takePack(studio, await pool.run({ kind: 'unpack', file, blobs: blobs.folder }));
    } finally {
      rmSync(file, { force: true });
    }
  });

  return router;
}

/** Whether it is JSON of an object rather than a ZIP, which begins with a P. */
function isJson(content: Buffer): boolean {
  return /^(?:\ufeff)?\s*\{/.test(content.toString('utf8', 0, 256));
}

/** Some editors put a mark of three bytes before UTF-8. */
function withoutMark(content: Buffer): Buffer {
  return content[0] === 0xef ? content.subarray(3) : content;
}
