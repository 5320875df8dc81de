import { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { readSource } from '../exports/exportSource.ts';
import { startFile } from '../exports/fileWork.ts';
import { implement } from '../http/implement.ts';
import { listOwnProducts } from '../store/products.ts';
import { insertTryOn, listTryOns, readTryOn, removeTryOn, saveTryOn } from '../store/tryOns.ts';
import type { Studio } from '../studio.ts';
import { findProduct, readProduct } from '../tryon/findProduct.ts';
import { shippedProducts } from '../tryon/shippedProducts.ts';
import { productPicture, tryOnPicture } from '../tryon/tryOnPicture.ts';
import { tryOnWork } from '../tryon/tryOnWork.ts';

/** Swatches on products, and the products. */
export function tryOnRoutes(studio: Studio): Router {
  const { database } = studio;
  const router = Router();

  implement(router, contract.listProducts, async () => [
    ...shippedProducts().values(),
    ...(await listOwnProducts(database)),
  ]);
  implement(router, contract.readProduct, ({ params }) => readProduct(studio, params.id));

  implement(router, contract.readProductPicture, async ({ params, response }) => {
    response.type('webp').send(await productPicture(studio, params.id));
  });

  implement(router, contract.readPattern, async ({ query: { known, ...source } }) => {
    const { name, design, motifs, state } = await readSource(studio, source);
    return { name, state, pattern: state === known ? null : { design, motifs } };
  });

  implement(router, contract.listTryOns, () => listTryOns(database));
  implement(router, contract.createTryOn, async ({ body: { tryOn } }) => {
    await findProduct(studio, tryOn.product);
    return insertTryOn(database, nanoid(12), tryOn);
  });
  implement(router, contract.readTryOn, ({ params }) => readTryOn(database, params.id));
  implement(router, contract.saveTryOn, async ({ params, body: { revision, tryOn } }) => {
    await findProduct(studio, tryOn.product);
    return { revision: await saveTryOn(database, params.id, revision, tryOn) };
  });
  implement(router, contract.deleteTryOn, ({ params }) => removeTryOn(database, params.id, true));
  implement(router, contract.restoreTryOn, ({ params }) => removeTryOn(database, params.id, false));
  implement(router, contract.readTryOnPicture, async ({ params, response }) => {
    response.type('webp').send(await tryOnPicture(studio, params.id));
  });
  implement(router, contract.exportTryOns, ({ body }) => startFile(studio, tryOnWork, body));

  return router;
}
