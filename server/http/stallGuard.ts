import type { Request, RequestHandler } from 'express';
import { Problem } from '../problem.ts';

/** A body of which nothing arrives for so long is given up, ms. */
const STALL_MS = 30_000;

/** Gives up requests whose body stops half-way, so that they hold nothing open. */
export function stallGuard(ms = STALL_MS): RequestHandler {
  return (request, response, next) => {
    const { socket, headers } = request;
    if (headers['transfer-encoding'] === undefined && !(Number(headers['content-length']) > 0)) {
      next();
      return;
    }
    const giveUp = (): void => {
      done();
      response.set('Connection', 'close');
      next(
        new Problem(408, 'Broken off', 'What was being sent stopped half-way. Nothing was changed; send it once more.'),
      );
      // What is still under way of it is of no use.
      response.once('finish', () => socket.destroy());
    };
    const done = (): void => {
      socket.setTimeout(0);
      request.off('timeout', giveUp);
    };
    socket.setTimeout(ms);
    // Where nobody listens to this on the request, the socket is closed without a word.
    request.once('timeout', giveUp);
    request.once('end', done);
    response.once('close', done);
    next();
  };
}

/** While a body waits for its turn, nothing is read of it, so that nothing arrives. @returns what is to be called once it has its turn */
export function pauseStallGuard({ socket }: Request): () => void {
  const ms = socket.timeout ?? 0;
  socket.setTimeout(0);
  return () => void socket.setTimeout(ms);
}
