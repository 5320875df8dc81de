import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Job } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import { tileOrder } from '../../core/export/index.ts';
import { leafAt } from '../../core/testing/arbitraries.ts';
import { liveHeap } from '../testing/liveHeap.ts';
import { told } from '../testing/told.ts';
import { openTestStudio, type TestStudio } from '../testing/testStudio.ts';

/** How often each thing is done: a little here, and as much as shows what grows slowly in the soak. */
const IS_SOAK = Boolean(process.env['HEVREL_SOAK']);
const TIMES = IS_SOAK
  ? { mixed: 20_000, saves: 2000, imports: 300, exports: 300, backups: 100, streams: 2000, windows: 200 }
  : { mixed: 200, saves: 40, imports: 2, exports: 1, backups: 1, streams: 12, windows: 12 };
/** What an action may leave behind, bytes. */
const LEFT = 1024;
/** What is there once, whatever is done: compiled code, pools of buffers, caches that have their limits. */
const ONCE = 1_500_000;
/** What the process may hold more of in the end than after the first half, bytes. */
const RESIDENT = 20e6;

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

/** Does something so often, and looks what each time left behind; in the soak, what the process holds too. */
async function expectFlat(what: string, times: number, act: (n: number) => Promise<unknown>): Promise<void> {
  let n = 0;
  const go = async (until: number): Promise<number> => {
    for (; n < until; n += 1) await act(n);
    return liveHeap();
  };
  const few = Math.ceil(times / 4);
  const before = await go(few);
  await go(few + Math.ceil(times / 2));
  const halfway = process.memoryUsage.rss();
  const left = (await go(few + times)) - before;
  const resident = process.memoryUsage.rss() - halfway;
  expect(Math.max(0, left - ONCE) / times, what).toBeLessThan(LEFT);
  if (!IS_SOAK) return;
  told(
    `${times} ${what}: ${(left / times).toFixed(0)} bytes left by each; resident memory grew by ${(resident / 1e6).toFixed(1)} MB in the second half`,
  );
  expect(resident, what).toBeLessThan(RESIDENT);
}

describe('what is done again and again leaves nothing behind', { timeout: 3_600_000 }, () => {
  it('be it mixed requests', async () => {
    await expectFlat('mixed requests', TIMES.mixed, (n) => MIXED[n % MIXED.length]?.(n) as Promise<unknown>);
  });

  it('be it saves', async () => {
    const move = (n: number): Promise<void> => save([{ type: 'change', changes: { a: { x: n % 50 } } }]);
    await expectFlat('saves', TIMES.saves, move);
  });

  it('be it imports and exports', async () => {
    await expectFlat('imports', TIMES.imports, (n) => hevrel.send('leaf.svg', drawing(n + 1)));
    const order = tileOrder({ kind: 'pixels', width: 60 });
    const made = async (): Promise<void> => {
      const { body } = await hevrel.call('POST', '/exports', { design, order });
      expect((await hevrel.ended(body as unknown as Job)).state).toBe('done');
    };
    await expectFlat('exports', TIMES.exports, made);
  });

  it('be it backups, windows that follow a job, and windows that fall silent', async () => {
    const backup = async (): Promise<string> => {
      const { body } = await hevrel.call('POST', '/backups');
      await hevrel.ended(body as unknown as Job);
      return String(body['id']);
    };
    await expectFlat('backups', TIMES.backups, backup);
    const job = await backup();
    await expectFlat('windows that follow a job', TIMES.streams, () => follow(job));
    const silent = (n: number) => hevrel.call('GET', `/designs/${design}/since/${revision}?window=silent-${n}`);
    await expectFlat('windows that fall silent', TIMES.windows, silent);
    expect(hevrel.log).toEqual([]);
  });
});
