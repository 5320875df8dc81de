import { Router } from 'express';
import type { Studio } from '../studio.ts';

/** Jobs: how far one is, following it (server-sent events), stopping it. */
export function jobRoutes({ jobs }: Studio): Router {
  const router = Router();

  router.get('/:id', async (request, response) => {
    response.json(await jobs.read(request.params.id));
  });

  router.get('/:id/events', async (request, response) => {
    await jobs.read(request.params.id);
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    response.writeHead(200, {
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache',
      Connection: 'keep-alive',
    });
    for await (const job of jobs.follow(request.params.id, gone.signal))
      response.write(`data: ${JSON.stringify(job)}\n\n`);
    response.end();
  });

  router.delete('/:id', async (request, response) => {
    response.json(await jobs.stop(request.params.id));
  });

  return router;
}
