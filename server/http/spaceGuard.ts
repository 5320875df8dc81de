import type { RequestHandler } from 'express';
import type { Space } from '../store/space.ts';

/** What writes more than a few rows. Deleting and stopping go on: they help. */
const WRITING = new Set(['POST', 'PUT', 'PATCH']);
/** Leaving a design is only remembered, and restoring is a row. */
const SMALL = /\/(left|restore)$/;

/** Refuses what has to be written where the disk is about to be full, before anything is read of it; reading goes on. */
export function spaceGuard(space: Space): RequestHandler {
  return async ({ method, path, headers }, _response, next) => {
    if (WRITING.has(method) && !SMALL.test(path)) await space.require(Number(headers['content-length'] ?? 0));
    next();
  };
}
