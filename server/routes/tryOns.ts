import type { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import { readSource } from '../exports/exportSource.ts';
import { startFile } from '../exports/fileWork.ts';
import { wallProduct } from '../../core/tryon/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { fileOf, implement, orderOf } from '../http/implement.ts';
import { notFound, Problem } from '../problem.ts';
import { listOwnProducts, type OwnProduct, readOwnProduct, removeOwnProduct } from '../store/products.ts';
import { insertTryOn, listTryOns, readTryOn, removeTryOn, saveTryOn } from '../store/tryOns.ts';
import type { Studio } from '../studio.ts';
import { findProduct, readProduct } from '../tryon/findProduct.ts';
import { changeProduct, makeProduct, makeProductOfMotif, markedOn, markProduct } from '../tryon/makeProduct.ts';
import { shippedDrawing, shippedProducts } from '../tryon/shippedProducts.ts';
import { productPicture, tryOnPicture } from '../tryon/tryOnPicture.ts';
import { tryOnWork } from '../tryon/tryOnWork.ts';

/** Swatches on products, and the products. */
export function tryOnRoutes(studio: Studio): Router {
  const { database } = studio;
  const router = apiRouter();

  implement(router, contract.listProducts, async () => [
    ...shippedProducts().values(),
    wallProduct().product,
    ...(await listOwnProducts(database)),
  ]);
  implement(router, contract.readProduct, ({ params }) => readProduct(studio, params.id));

  const ownOf = async (id: string): Promise<OwnProduct> => {
    const own = await readOwnProduct(database, id);
    if (!own) throw notFound('product of your own');
    return own;
  };
  implement(router, contract.importProduct, (call) =>
    makeProduct(studio, call.query.name, fileOf(call, call.query.name), orderOf(call)),
  );
  implement(router, contract.makeProductOfMotif, ({ body }) => makeProductOfMotif(studio, body.motif));
  implement(router, contract.changeProduct, async ({ params, body }) =>
    changeProduct(studio, params.id, await ownOf(params.id), body),
  );
  implement(router, contract.readPhotograph, async ({ params }) => {
    const { product, drawing, photo } = await ownOf(params.id);
    if (!photo) throw new Problem(409, 'No photograph', 'This product is not made of a photograph.');
    return { name: product.name, ...photo, marked: await markedOn(studio, product, drawing) };
  });
  implement(router, contract.markPhotograph, async ({ params, body }) =>
    markProduct(studio, params.id, await ownOf(params.id), body),
  );
  implement(router, contract.deleteProduct, ({ params }) => removeOwnProduct(database, params.id, true));
  implement(router, contract.restoreProduct, ({ params }) => removeOwnProduct(database, params.id, false));

  implement(router, contract.readProductPicture, async ({ params, response }) => {
    if (shippedProducts().has(params.id)) response.type('svg').send(shippedDrawing(params.id));
    else response.type('webp').send(await productPicture(studio, params.id));
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
  implement(router, contract.saveTryOn, async ({ params, body }) => {
    await findProduct(studio, body.tryOn.product);
    return { revision: await saveTryOn(database, params.id, body) };
  });
  implement(router, contract.deleteTryOn, ({ params }) => removeTryOn(database, params.id, true));
  implement(router, contract.restoreTryOn, ({ params }) => removeTryOn(database, params.id, false));
  implement(router, contract.readTryOnPicture, async ({ params, response }) => {
    response.type('webp').send(await tryOnPicture(studio, params.id));
  });
  implement(router, contract.exportTryOns, ({ body }) => startFile(studio, tryOnWork, body));

  return router;
}
