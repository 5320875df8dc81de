import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Job } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { tileOrder } from '../../core/export/index.ts';
import { leafAt } from '../../core/testing/arbitraries.ts';
import { liveHeap } from '../testing/liveHeap.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';

/** How often each thing is done: a little here, and as much as shows what grows slowly in the soak. */
const TIMES = process.env['HEVREL_SOAK']
  ? { mixed: 20_000, saves: 2000, imports: 300, exports: 300, backups: 100, streams: 2000, windows: 200 }
  : { mixed: 200, saves: 40, imports: 2, exports: 1, backups: 1, streams: 12, windows: 12 };
/** What an action may leave behind, bytes. */
const LEFT = 1024;
/** What is there once, whatever is done: compiled code, pools of buffers, caches that have their limits. */
const ONCE = 1_500_000;

let hevrel: TestStudio;
let design: string;
let revision = 1;
beforeAll(async () => {
  hevrel = await openTestStudio();
  const motif = (await hevrel.send('leaf.svg', drawing(0))).body['motif'] as { id: string };
  const repeat = { width: 60, height: 40, step: { kind: 'square', drop: { p: 0, q: 1 } } };
  design = ((await hevrel.call('POST', '/designs', { name: 'Kelp', repeat })).body['design'] as Design).id;
  await save([{ type: 'insert', placements: [{ index: 0, placement: leafAt('a', { motif: motif.id, x: 5, y: 5 }) }] }]);
});
afterAll(() => hevrel.close());

const drawing = (n: number): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm" viewBox="0 0 9 9"><path fill="#b5442f" d="M0 0h9v${1 + n / 1000}z"/></svg>`;

async function save(commands: unknown): Promise<void> {
  const sent = { save: `save-number-${revision}`, revision, commands };
  const { status, body } = await hevrel.call('PATCH', `/designs/${design}`, sent);
  expect(status, JSON.stringify(body)).toBe(200);
  revision += 1;
}

/** A window that follows a job and goes before it ends. */
async function follow(job: string): Promise<void> {
  const leaving = new AbortController();
  const answer = await hevrel.fetch(`/jobs/${job}/events`, { signal: leaving.signal });
  await answer.body?.getReader().read();
  leaving.abort();
}

const MIXED = [
  () => hevrel.call('GET', '/designs'),
  () => hevrel.call('GET', `/designs/${design}`),
  (n: number) => hevrel.call('GET', `/designs/${design}/since/${revision}?window=window-${n % 20}`),
  () => hevrel.call('GET', '/motifs?words=leaf'),
  () => hevrel.call('GET', '/nowhere'),
  () => hevrel.call('POST', '/designs', '{"name":'),
  () => hevrel.call('GET', `/designs/${design}/motifs`),
];

/** Does something so often, and says what each time left behind, bytes. */
async function leftBy(times: number, act: (n: number) => Promise<unknown>): Promise<number> {
  const few = Math.ceil(times / 4);
  for (let n = 0; n < few; n += 1) await act(n);
  const before = liveHeap();
  for (let n = few; n < few + times; n += 1) await act(n);
  return Math.max(0, liveHeap() - before - ONCE) / times;
}

describe('what is done again and again leaves nothing behind', { timeout: 3_600_000 }, () => {
  it('be it mixed requests', async () => {
    expect(await leftBy(TIMES.mixed, (n) => MIXED[n % MIXED.length]?.(n) as Promise<unknown>)).toBeLessThan(LEFT);
  });

  it('be it saves', async () => {
    const move = (n: number): Promise<void> => save([{ type: 'change', changes: { a: { x: n % 50 } } }]);
    expect(await leftBy(TIMES.saves, move)).toBeLessThan(LEFT);
  });

  it('be it imports and exports', async () => {
    expect(await leftBy(TIMES.imports, (n) => hevrel.send('leaf.svg', drawing(n + 1)))).toBeLessThan(LEFT);
    const order = tileOrder({ kind: 'pixels', width: 60 });
    const made = async (): Promise<void> => {
      const { body } = await hevrel.call('POST', '/exports', { design, order });
      expect((await hevrel.ended(body as unknown as Job)).state).toBe('done');
    };
    expect(await leftBy(TIMES.exports, made)).toBeLessThan(LEFT);
  });

  it('be it backups, windows that follow a job, and windows that fall silent', async () => {
    const backup = async (): Promise<string> => {
      const { body } = await hevrel.call('POST', '/backups');
      await hevrel.ended(body as unknown as Job);
      return String(body['id']);
    };
    expect(await leftBy(TIMES.backups, backup)).toBeLessThan(LEFT);
    const job = await backup();
    expect(await leftBy(TIMES.streams, () => follow(job))).toBeLessThan(LEFT);
    const silent = (n: number) => hevrel.call('GET', `/designs/${design}/since/${revision}?window=silent-${n}`);
    expect(await leftBy(TIMES.windows, silent)).toBeLessThan(LEFT);
    expect(hevrel.log).toEqual([]);
  });
});
