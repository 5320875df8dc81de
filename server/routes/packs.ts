import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { startFile } from '../exports/fileWork.ts';
import { fileOf, implement } from '../http/implement.ts';
import { readJson } from '../http/readJson.ts';
import { packWork } from '../packs/packWork.ts';
import { takePack } from '../packs/takePack.ts';
import type { Studio } from '../studio.ts';
import { openDocument } from '../work/openDocument.ts';

/** Swatches and designs with all that they are made of, as one file. */
export function packRoutes(studio: Studio): Router {
  const { pool, blobs } = studio;
  const router = Router();

  implement(router, contract.startPack, ({ body }) => startFile(studio, packWork, body));

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
