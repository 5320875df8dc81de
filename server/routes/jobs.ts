import type { Router } from 'express';
import * as contract from '../../contract/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { implement } from '../http/implement.ts';
import type { Studio } from '../studio.ts';

/** Jobs: how far one is, following it, stopping it. */
export function jobRoutes({ jobs }: Studio): Router {
  const router = apiRouter();

  implement(router, contract.readJob, ({ params }) => jobs.read(params.id));

  implement(router, contract.followJob, async ({ params, response }) => {
    await jobs.read(params.id);
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache',
      Connection: 'keep-alive',
    });
    for await (const job of jobs.follow(params.id, gone.signal)) response.write(`data: ${JSON.stringify(job)}\n\n`);
    response.end();
  });

  implement(router, contract.stopJob, ({ params }) => jobs.stop(params.id));

  return router;
}
