import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import helmet from 'helmet';
import express, { type Express } from 'express';
import staticGzip from 'express-static-gzip';
import { apiRouter } from './http/apiRouter.ts';
import { Bodies } from './http/bodies.ts';
import { ownHosts, ownNames, ownPages } from './http/guard.ts';
import { spaceGuard } from './http/spaceGuard.ts';
import { stallGuard } from './http/stallGuard.ts';
import { noSuchRoute, problemHandler } from './problem.ts';
import { alternativeRoutes } from './routes/alternatives.ts';
import { backupRoutes } from './routes/backups.ts';
import { blobRoutes } from './routes/blobs.ts';
import { collectionRoutes } from './routes/collections.ts';
import { designRoutes } from './routes/designs.ts';
import { exportRoutes } from './routes/exports.ts';
import { fontRoutes } from './routes/fonts.ts';
import { jobRoutes } from './routes/jobs.ts';
import { motifRoutes } from './routes/motifs.ts';
import { packRoutes } from './routes/packs.ts';
import { printOrderRoutes } from './routes/printOrders.ts';
import { scannerRoutes } from './routes/scanner.ts';
import { scanRoutes } from './routes/scans.ts';
import { plateRoutes } from './routes/plates.ts';
import { shelfRoutes } from './routes/shelves.ts';
import { sheetRoutes } from './routes/sheets.ts';
import { swatchRoutes } from './routes/swatches.ts';
import { tryOnRoutes } from './routes/tryOns.ts';
import { isDiskFull } from './store/space.ts';
import type { Studio } from './studio.ts';

/**
 * The web application over a studio.
 *
 * @param web folder of the built interface; only the API is served where missing
 * @param hosts the names that it answers to
 */
export function createApp(
  studio: Studio,
  web?: string,
  log: (message: string) => void = (message) => process.stderr.write(`${message}\n`),
  hosts: ReadonlySet<string> = ownHosts('127.0.0.1', []),
): Express {
  const app = express();
  app.disable('x-powered-by');
  // Before anything is mounted. `/API` is not `/api`: what is below an address is guarded because it is mounted there, never because of how
  // it is written.
  app.enable('case sensitive routing');
  app.enable('strict routing');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          // What React sets on elements; sheets are files of their own.
          styleSrcAttr: ["'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          // Small assets are built into the sheets and scripts; pictures that were just opened are read by their worker.
          fontSrc: ["'self'", 'data:'],
          connectSrc: ["'self'", 'data:', 'blob:'],
          objectSrc: ["'none'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      referrerPolicy: { policy: 'no-referrer' },
      // It is served without TLS, on the machine that it is used on.
      strictTransportSecurity: false,
    }),
  );

  app.locals['bodies'] = new Bodies(studio.folder.drafts, studio.pool, studio.space);
  app.use(ownNames(hosts));
  app.use(stallGuard());
  app.use(compression());
  const api = apiRouter();
  api.use(ownPages, spaceGuard(studio.space));
  for (const routes of [
    motifRoutes,
    designRoutes,
    alternativeRoutes,
    swatchRoutes,
    tryOnRoutes,
    exportRoutes,
    packRoutes,
    sheetRoutes,
    plateRoutes,
    shelfRoutes,
    printOrderRoutes,
    jobRoutes,
    collectionRoutes,
    fontRoutes,
    scanRoutes,
    scannerRoutes,
    blobRoutes,
    backupRoutes,
  ])
    api.use(routes(studio));
  api.use(noSuchRoute);
  app.use('/api', api);
  if (web !== undefined && existsSync(join(web, 'index.html'))) {
    const compressed = { enableBrotli: true, orderPreference: ['br', 'gz'], index: false as const };
    app.use(
      '/assets',
      staticGzip(join(web, 'assets'), {
        ...compressed,
        serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
      }),
    );
    app.use(staticGzip(web, compressed));
    app.get('/{*path}', (_request, response) => {
      response.set('Cache-Control', 'no-cache').sendFile(join(web, 'index.html'));
    });
  }
  app.use(noSuchRoute);
  app.use(problemHandler(log, (error) => (isDiskFull(error) ? studio.space.full() : Promise.resolve(error))));
  return app;
}
