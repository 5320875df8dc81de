import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import { MadeOnce } from '../paint/madeOnce.ts';
import { notFound } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { Studio } from '../studio.ts';

const FOR_GOOD = 'public, max-age=31536000, immutable';
/** Small pictures that are remembered; each is about 20 kB. */
const MOST_SMALL = 500;

/** Kept content by its address; it can never change, so browsers may keep it for good. */
export function blobRoutes({ blobs, pool }: Studio): Router {
  const router = apiRouter();
  const small = new MadeOnce<Uint8Array>(MOST_SMALL);
  const pathOf = async (address: string): Promise<string> => {
    if (!Blobs.isAddress(address) || !blobs.has(address)) throw notFound('file');
    return blobs.soundPathOf(address);
  };
  implement(router, contract.readSmallPicture, async ({ params: { address }, response }) => {
    const file = await pathOf(address);
    const picture = await small.get([address], () => pool.run({ kind: 'shrink', file }));
    response.set('Cache-Control', FOR_GOOD).type('webp').send(Buffer.from(picture));
  });
  implement(router, contract.readBlob, async ({ params: { address }, response }) => {
    const path = await pathOf(address);
    response.set('Cache-Control', FOR_GOOD);
    // Uploaded drawings are kept as they came; nothing in them may ever run.
    if (/\.svgz?$/.test(address))
      response.set('Content-Security-Policy', "sandbox; default-src 'none'").attachment(address);
    response.sendFile(path);
  });
  return router;
}
