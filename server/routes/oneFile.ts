import { raw, type RequestHandler } from 'express';
import { Problem } from '../problem.ts';

export const MOST_UPLOAD_BYTES = 40 * 1024 * 1024;

/** One file a request, as it is, so that each has its own progress and its own outcome. */
export const oneFile: RequestHandler[] = [
  (request, _response, next) => {
    if (Number(request.headers['content-length'] ?? 0) > MOST_UPLOAD_BYTES) {
      throw new Problem(
        413,
        'Too large',
        'The file is larger than 40 MB. Nothing was added; make it smaller and bring it again.',
      );
    }
    next();
  },
  raw({ type: () => true, limit: MOST_UPLOAD_BYTES }),
];

/** What came. @throws Problem where nothing did */
export function contentOf(body: unknown, name: string): Buffer {
  if (!Buffer.isBuffer(body) || body.length === 0)
    throw new Problem(422, 'Empty file', `“${name.slice(0, 60)}” is empty. Nothing was added.`);
  return body;
}
