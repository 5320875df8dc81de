import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { deleteShelf, listShelves, saveShelf } from '../store/shelves.ts';
import type { Studio } from '../studio.ts';

/** Shelves of inks that any design can use. */
export function shelfRoutes({ database }: Studio): Router {
  const router = apiRouter();
  implement(router, contract.listShelves, () => listShelves(database));
  implement(router, contract.saveShelf, ({ body: { were, ...shelf } }) => saveShelf(database, shelf, were));
  implement(router, contract.deleteShelf, ({ params }) => deleteShelf(database, params.id));
  return router;
}
