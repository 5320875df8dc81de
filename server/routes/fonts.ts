import type { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { fileOf, implement, orderOf } from '../http/implement.ts';
import { insertFont, listFonts, setFontDeleted } from '../store/fonts.ts';
import type { Studio } from '../studio.ts';

/** The studio's own fonts, which words in imported drawings are set in. */
export function fontRoutes({ database, pool, blobs }: Studio): Router {
  const router = apiRouter();
  implement(router, contract.listFonts, () => listFonts(database));
  implement(router, contract.importFont, async (call) => {
    const { name } = call.query;
    const { path } = fileOf(call, name);
    const task = { kind: 'font', name, file: path, blobs: blobs.folder } as const;
    const { file, family, style } = await pool.run(task, orderOf(call));
    const font = { id: nanoid(12), family, style };
    await database.transaction((transaction) => insertFont(transaction, font, file));
    return font;
  });
  implement(router, contract.deleteFont, ({ params }) => setFontDeleted(database, params.id, true));
  implement(router, contract.restoreFont, ({ params }) =>
    database.transaction((transaction) => setFontDeleted(transaction, params.id, false)),
  );
  return router;
}
