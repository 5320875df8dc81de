import { Router } from 'express';

/** A router that takes addresses as they are written: another case, or a slash more, is another address, which nothing answers. */
export function apiRouter(): Router {
  return Router({ caseSensitive: true, strict: true });
}
