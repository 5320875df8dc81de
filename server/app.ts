import { existsSync } from 'node:fs';
import { join } from 'node:path';
import compression from 'compression';
import helmet from 'helmet';
import express, { type Express } from 'express';
import staticGzip from 'express-static-gzip';
import { guard, ownHosts } from './http/guard.ts';
import { checkInPool } from './http/implement.ts';
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

  app.use(guard(hosts));
  app.use(stallGuard());
  app.use('/api', spaceGuard(studio.space));
  app.locals['checkLarge'] = checkInPool(studio.pool);
  app.use(compression());
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
    app.use(routes(studio));
  app.use('/api', noSuchRoute);
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
  app.use(problemHandler(log, (error) => (isDiskFull(error) ? studio.space.full() : Promise.resolve(error))));
  return app;
}
