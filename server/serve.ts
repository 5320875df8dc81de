import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { DailyBackups } from './backup/dailyBackups.ts';
import { createApp } from './app.ts';
import { messageOf } from '../core/problem/index.ts';
import { declineSamples, layOutSamples } from './samples/layOutSamples.ts';
import { prepareStudio } from './samples/prepareStudio.ts';
import { ownHosts } from './http/guard.ts';
import { notReady } from './http/notReady.ts';
import type { Options } from './options.ts';
import { openStudio, type Studio, type StudioParts } from './studio.ts';
import { interruptAbandonedPrints } from './store/printOrders.ts';
import { Space } from './store/space.ts';
import { StartError } from './store/startError.ts';

/** A request's head is here by then, ms; and all of it, however slowly it comes. */
const HEADERS_MS = 15_000;
const REQUEST_MS = 600_000;
/** Requests under way when Hevrel is closed may take this long yet. */
const REQUESTS_MS = 5000;

/** Exports and print orders that the last process left in the middle are started again so long after the start, ms. */
const RESUME_MS = 3000;

/** A running Hevrel. */
export interface Serving {
  readonly url: string;
  readonly studio: Studio;
  /** Lets running requests finish, then closes the database and frees the data folder. */
  close(): Promise<void>;
}

/**
 * Opens the studio and serves it.
 *
 * @param web folder of the built interface
 * @param say takes a line for the terminal
 * @param parts what it is opened with in place of its own
 * @throws StartError with a sentence; nothing is left open then
 */
export async function serve(
  { port, host, data, empty, allowHost = [], reserve }: Options,
  web: string | undefined,
  say: (line: string) => void,
  parts?: StudioParts,
): Promise<Serving> {
  // The port first: a taken one must not touch the data.
  const server = createServer({ headersTimeout: HEADERS_MS, requestTimeout: REQUEST_MS });
  server.on('request', notReady);
  await listen(server, port, host);
  try {
    if (!empty) await prepareStudio(data, say);
    const studio = await openStudio(data, { space: (folder) => new Space(folder, { reserve }), ...parts });
    await (empty ? declineSamples(studio) : layOutSamples(studio, say));
    const opened = new Date();
    server.off('request', notReady);
    server.on('request', createApp(studio, web, undefined, ownHosts(host, allowHost)));
    const { port: taken } = server.address() as AddressInfo;
    const shown = host.includes(':') ? `[${host}]` : host;
    const url = `http://${shown}:${taken}`;
    studio.folder.lock.write({ pid: process.pid, url });
    // Not at once: a window that waits for its design comes first.
    const resuming = setTimeout(() => {
      studio.jobs
        .resume()
        .then(() => interruptAbandonedPrints(studio.database, opened))
        .catch((error: unknown) => say(`Files could not be started again: ${messageOf(error)}`));
    }, RESUME_MS);
    const daily = new DailyBackups(studio);
    return {
      url,
      studio,
      async close() {
        clearTimeout(resuming);
        daily.stop();
        const closed = new Promise((resolve) => server.close(resolve));
        const late = setTimeout(() => server.closeAllConnections(), REQUESTS_MS);
        // Followers of jobs hold their connections open; their jobs are stopped, which ends them.
        await studio.jobs.stopAll();
        server.closeIdleConnections();
        await closed;
        clearTimeout(late);
        await studio.close();
      },
    };
  } catch (error) {
    server.close();
    throw error;
  }
}

function listen(server: Server, port: number, host: string): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      const why =
        error.code === 'EADDRINUSE'
          ? `Port ${port} is taken. Stop what uses it, or choose another with --port N.`
          : error.code === 'EACCES'
            ? `Port ${port} may not be used by this account. Choose another with --port N.`
            : `Cannot listen on ${host}:${port} (${error.code ?? error.message}). Check --host and --port.`;
      reject(new StartError(why));
    });
    server.listen(port, host, resolve);
  });
}
