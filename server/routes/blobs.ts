import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { notFound } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { Studio } from '../studio.ts';

/** Kept content by its address; it can never change, so browsers may keep it for good. */
export function blobRoutes({ blobs }: Studio): Router {
  const router = apiRouter();
  implement(router, contract.readBlob, async ({ params: { address }, response }) => {
    if (!Blobs.isAddress(address) || !blobs.has(address)) throw notFound('file');
    const path = await blobs.soundPathOf(address);
    response.set('Cache-Control', 'public, max-age=31536000, immutable');
    // Uploaded drawings are kept as they came; nothing in them may ever run.
    if (/\.svgz?$/.test(address))
      response.set('Content-Security-Policy', "sandbox; default-src 'none'").attachment(address);
    response.sendFile(path);
  });
  return router;
}
