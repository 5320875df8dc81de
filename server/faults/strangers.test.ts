import { once } from 'node:events';
import { readFileSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import fc from 'fast-check';
import { afterAll, expect, it } from 'vitest';
import { FILE, OWN_HEADER, pathOf, ROUTES, WINDOW_HEADER, type Route } from '../../contract/index.ts';
import { seeded } from '../../core/random/index.ts';
import { answerFault } from '../testing/answerFault.ts';
import { oneStepFrom } from '../testing/bodies.ts';
import { Client } from '../testing/client.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { removeFolder } from '../testing/folders.ts';
import { hostileFiles } from '../testing/hostileFiles.ts';
import { jsonRoutes } from '../testing/jsonRoutes.ts';
import { startProcess, type Running } from '../testing/process.ts';
import { told } from '../testing/told.ts';

const IS_SOAK = Boolean(process.env['HEVREL_SOAK']);
/** For how long strangers send, ms, and of what size what they send is. */
const [LASTS_MS, SCALE] = IS_SOAK ? [20 * 60_000, 1] : [6000, 0.01];
/** Strangers at a time, each a window of its own. */
const STRANGERS = 4;
/** Another client asks so often, ms. */
const EVERY_MS = 100;
/** What an answer may take beyond those before and after it, ms. */
const BEYOND_MS = 1000;
/** What the server may hold more of in the end than after the first half, bytes. */
const GROWTH = 20e6;
/** So often it is looked what it holds, ms: what it takes for a moment counts for nothing. */
const LOOK_MS = 500;

const data = emptyFolder();
let server: Running | undefined;
afterAll(async () => {
  server?.child.kill('SIGTERM');
  await server?.ended;
  removeFolder(data);
});

/** Resident memory of the server's own process, bytes. */
const resident = (pid: number): number =>
  1024 * Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]);

const fileRoutes = Object.values(ROUTES).filter((route: Route) => route.body === FILE);

/** What the answers were: how many of each status, and what was wrong with them. */
interface Outcome {
  readonly statuses: Map<number, number>;
  readonly faults: Set<string>;
}

interface Sent {
  readonly id: string;
  readonly window: string;
  readonly body: string | Uint8Array;
  readonly signal: AbortSignal;
}

async function send(url: string, { method, path }: Route, { id, window, body, signal }: Sent) {
  const params = Object.fromEntries([...path.matchAll(/\{(\w+)\}/g)].map(([, key]) => [key, id]));
  const answer = await fetch(url + pathOf({ path }, params, { name: 'a.svg', kind: 'products' }), {
    method,
    signal,
    headers: {
      ...OWN_HEADER,
      [WINDOW_HEADER]: window,
      // What is made here holds this thread for longer than the server holds a connection that nobody uses.
      Connection: 'close',
      'Content-Type': typeof body === 'string' ? 'application/json' : 'application/octet-stream',
    },
    body: typeof body === 'string' ? body : new Uint8Array(body),
  });
  const text = await answer.text();
  const type = answer.headers.get('content-type') ?? '';
  return { status: answer.status, type, body: type.includes('json') ? (JSON.parse(text) as never) : {} };
}

it('answers others in time, and goes on, whatever strangers send to its doors', async () => {
  server = startProcess('--port', '0', '--data', data, '--empty');
  const url = await server.url;
  const client = new Client(url);
  const design = await client.newDesign('Kelp');
  const ids = [design, 'mug', 'main'];
  const asked = jsonRoutes(ids);
  const files = Object.entries(hostileFiles(SCALE)).map(([name, file]) => [name, file()] as const);
  const outcome: Outcome = { statuses: new Map(), faults: new Set() };
  // Those whose answers are still awaited then go away.
  const over = AbortSignal.timeout(LASTS_MS);

  const stranger = async (window: string, random: () => number): Promise<void> => {
    const any = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
    while (!over.aborted) {
      const seed = Math.floor(random() * 2 ** 31);
      const one = any(asked);
      const body = fc.sample(one.bodies.of(one.schema), { numRuns: 1, seed })[0];
      const [name, content] = any(files);
      const isFile = random() < 0.5;
      const isCut = isFile && random() < 0.3;
      const [route, sent] = isFile
        ? [any(fileRoutes), isCut ? content.subarray(0, Math.floor(random() * content.length)) : content]
        : [one.route, JSON.stringify(fc.sample(oneStepFrom(body), { numRuns: 1, seed })[0]) ?? ''];
      // Some do not wait for the answer.
      const signal = random() < 0.1 ? AbortSignal.any([over, AbortSignal.timeout(500)]) : over;
      const answer = await send(url, route, { id: any(ids), window, body: sent, signal }).catch((error: unknown) => {
        if (!signal.aborted) throw error;
      });
      if (!answer) continue;
      const fault = answerFault(answer, false);
      if (fault) outcome.faults.add(`${route.path}: ${fault}: ${isFile ? name : sent.slice(0, 300).toString()}`);
      outcome.statuses.set(answer.status, (outcome.statuses.get(answer.status) ?? 0) + 1);
    }
  };

  const neighbour = new Worker(new URL('../testing/neighbour.mjs', import.meta.url), {
    workerData: { address: `${url}/api/designs/${design}`, everyMs: EVERY_MS, pid: server.child.pid },
  });
  const answered = once(neighbour, 'message') as Promise<[{ readonly took: number[]; readonly why: string }]>;
  const held: number[] = [];
  const looking = setInterval(() => held.push(resident(server?.child.pid ?? 0)), LOOK_MS);
  await Promise.all(Array.from({ length: STRANGERS }, (_, n) => stranger(`stranger-${n}`, seeded(n + 1))));
  clearInterval(looking);
  neighbour.postMessage('over');
  const [{ took, why }] = await answered;

  expect([...outcome.faults]).toEqual([]);
  expect(server.child.exitCode).toBeNull();
  const quarter = held.length >> 2;
  const grown = Math.min(...held.slice(-quarter)) - Math.min(...held.slice(quarter, 2 * quarter));
  const slowest = Math.max(...took);
  const usual = took.toSorted((a, b) => a - b)[took.length >> 1] as number;
  told(
    `${JSON.stringify(Object.fromEntries(outcome.statuses))} by ${STRANGERS} strangers in ${LASTS_MS / 1000} s; another’s ${took.length} answers took ${usual.toFixed(0)} ms, ${slowest.toFixed(0)} at most (${why}); resident memory grew by ${(grown / 1e6).toFixed(1)} MB in the second half`,
  );
  if (!IS_SOAK) return;
  expect(slowest - usual).toBeLessThan(BEYOND_MS);
  expect(grown).toBeLessThan(GROWTH);
});
