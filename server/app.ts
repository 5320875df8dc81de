import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { json, type Express } from 'express';
import { noSuchRoute, problemHandler } from './problem.ts';
import { blobRoutes } from './routes/blobs.ts';
import { collectionRoutes } from './routes/collections.ts';
import { designRoutes } from './routes/designs.ts';
import { exportRoutes } from './routes/exports.ts';
import { jobRoutes } from './routes/jobs.ts';
import { motifRoutes } from './routes/motifs.ts';
import { scannerRoutes } from './routes/scanner.ts';
import { scanRoutes } from './routes/scans.ts';
import { swatchRoutes } from './routes/swatches.ts';
import type { Studio } from './studio.ts';

/** A whole design of twenty thousand motifs is some four megabytes. */
const MOST_JSON = '16mb';

/**
 * The web application over a studio.
 *
 * @param web folder of the built interface; only the API is served where missing
 */
export function createApp(
  studio: Studio,
  web?: string,
  log: (message: string) => void = (message) => process.stderr.write(`${message}\n`),
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((_request, response, next) => {
    response.set('X-Content-Type-Options', 'nosniff').set('Referrer-Policy', 'no-referrer');
    next();
  });

  app.use('/api/motifs', motifRoutes(studio));
  app.use('/api/designs', json({ limit: MOST_JSON }), designRoutes(studio));
  app.use('/api/swatches', json({ limit: MOST_JSON }), swatchRoutes(studio));
  app.use('/api/exports', json({ limit: '10kb' }), exportRoutes(studio));
  app.use('/api/jobs', jobRoutes(studio));
  app.use('/api/collections', collectionRoutes(studio));
  app.use('/api/sheets', scanRoutes(studio));
  app.use('/api/scanner', scannerRoutes(studio));
  app.use('/api/blobs', blobRoutes(studio));
  app.use('/api', noSuchRoute);
  if (web !== undefined && existsSync(join(web, 'index.html'))) {
    app.use('/assets', express.static(join(web, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
    app.use(express.static(web, { index: false }));
    app.get('/{*path}', (_request, response) => {
      response.set('Cache-Control', 'no-cache').sendFile(join(web, 'index.html'));
    });
  }
  app.use(problemHandler(log));
  return app;
}
