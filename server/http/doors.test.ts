import { request } from 'node:http';
import { connect } from 'node:net';
import { readdirSync } from 'node:fs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { strToU8, zipSync } from 'fflate';
import { OWN_HEADER, ROUTES } from '../../contract/index.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';

let hevrel: TestStudio;
let port: number;
beforeAll(async () => {
  hevrel = await openTestStudio();
  port = Number(new URL((await hevrel.fetch('/designs')).url).port);
});
afterAll(() => hevrel.close());

/** Asks with an address as it is written. */
function ask(method: string, path: string, headers: Record<string, string>, body = ''): Promise<number> {
  return new Promise((resolve, reject) => {
    const asking = request({ host: '127.0.0.1', port, method, path, headers }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    });
    asking.on('error', reject);
    asking.end(body);
  });
}

const METHODS = ['GET', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];
/** The same address for those who do not look closely. */
const written = (path: string): string[] => [
  `/api${path}`.toUpperCase(),
  `/Api${path}`,
  `//api${path}`,
  `/api/${path}`,
  `/./api${path}`,
  `/x/../api${path}`,
  `/%61pi${path}`,
  `/api%2f${path.slice(1)}`,
  `/api${path}/`,
  `/api${path.toUpperCase()}`,
];

describe('an address', () => {
  it('that is written otherwise leads past no guard, whatever is asked of it, by whom and under which name', async () => {
    const foreign = { Origin: 'https://evil.example' };
    const paths = [...new Set(Object.values(ROUTES).map(({ path }) => path.replace(/\{\w+\}/g, 'some')))];
    for (const path of paths)
      for (const way of [`/api${path}`, ...written(path)])
        for (const method of METHODS) {
          const what = `${method} ${way}`;
          const status = await ask(method, way, foreign);
          // It is refused, or leads nowhere; where there is an interface, to that.
          expect([403, 404], what).toContain(status);
          if (method !== 'GET') expect([403, 404], what).toContain(await ask(method, way, {}));
          if (way !== `/api${path}`) expect([404], what).toContain(await ask(method, way, OWN_HEADER));
        }
    expect(await ask('GET', '/API/designs', { Host: 'evil.example' })).toBe(421);
    expect(hevrel.log).toEqual([]);
  });
});

describe('a body', () => {
  const post = (path: string, body: string | Uint8Array, type = 'application/octet-stream'): Promise<Response> =>
    hevrel.fetch(path, { method: 'POST', headers: { 'Content-Type': type }, body: body as BodyInit });

  /** The longest that another client waits for an answer while something is under way, ms. */
  async function longestWait(work: Promise<unknown>): Promise<number> {
    let longest = 0;
    let isDone = false;
    const finished = work.finally(() => (isDone = true));
    while (!isDone) {
      const began = performance.now();
      await (await hevrel.fetch('/ink-shelves')).arrayBuffer();
      longest = Math.max(longest, performance.now() - began);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    await finished;
    return longest;
  }

  it('that is large and strange keeps nobody waiting, and leaves nothing', { timeout: 120_000 }, async () => {
    const ones = `[${'1,'.repeat(4_000_000)}1]`;
    const motif = '{"id":"a"}';
    const list = `{"format":"hevrel-collection","version":3,"name":"x","motifs":[${Array.from({ length: 300_000 }, () => motif).join()}]}`;
    const refused = [
      post('/packs/import', ones),
      post('/packs/import', `{"version":9,"placements":${ones}}`),
      post('/designs', `{"name":"x","document":${ones}}`, 'application/json'),
      post('/collections', zipSync({ 'collection.json': strToU8(list) })),
      post('/packs/import', zipSync({ 'pack.json': strToU8(ones) })),
    ];
    const statuses: number[] = [];
    const all = Promise.all(refused.map(async (answer) => statuses.push((await answer).status)));
    expect(await longestWait(all)).toBeLessThan(1000);
    for (const status of statuses) expect([400, 413, 422]).toContain(status);
    expect(hevrel.log).toEqual([]);
    expect(readdirSync(hevrel.studio.folder.drafts)).toEqual([]);
    expect(readdirSync(hevrel.studio.folder.blobs)).toEqual([]);
  });

  it('of a file is refused by its length, at once or once it is longer, and the answer arrives', async () => {
    const heavy = new Uint8Array(41 * 1024 * 1024);
    const known = await post('/motifs?name=a.png', heavy);
    expect([known.status, ((await known.json()) as { detail: string }).detail]).toEqual([
      413,
      'What was sent is larger than 40 MB. Nothing was changed; make it smaller, or send it in parts.',
    ]);
    const stream = new ReadableStream({
      start(controller) {
        for (let n = 0; n < 41; n += 1) controller.enqueue(heavy.subarray(0, 1024 * 1024));
        controller.close();
      },
    });
    const growing = await hevrel.fetch('/motifs?name=a.png', {
      method: 'POST',
      body: stream,
      duplex: 'half',
    } as RequestInit);
    expect(growing.status).toBe(413);
    expect(readdirSync(hevrel.studio.folder.drafts)).toEqual([]);
  });

  it(
    'that is large waits for its turn, and one that is given up gives its turn back',
    { timeout: 60_000 },
    async () => {
      const head = (length: number): string =>
        `POST /api/motifs?name=a.png HTTP/1.1\r\nHost: localhost\r\nX-Requested-With: Hevrel\r\nContent-Length: ${length}\r\n\r\n`;
      // Four have their turns and send no more.
      const held = Array.from({ length: 4 }, () => {
        const socket = connect(port, '127.0.0.1');
        socket.on('error', () => undefined);
        socket.write(head(2 * 1024 * 1024));
        return socket;
      });
      await expect.poll(() => readdirSync(hevrel.studio.folder.drafts).length).toBe(4);
      let isAnswered = false;
      const waiting = post('/motifs?name=b.png', new Uint8Array(2 * 1024 * 1024)).then((answer) => {
        isAnswered = true;
        return answer;
      });
      // Small ones need none.
      expect((await post('/motifs?name=c.png', 'not a picture')).status).toBe(415);
      expect(isAnswered).toBe(false);
      held[0]?.destroy();
      expect((await waiting).status).toBe(415);
      for (const socket of held) socket.destroy();
      await expect.poll(() => readdirSync(hevrel.studio.folder.drafts)).toEqual([]);
      expect(hevrel.log).toEqual([]);
    },
  );
});
