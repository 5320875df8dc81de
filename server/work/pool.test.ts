import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import { afterAll, afterEach, describe, expect, it, vi } from 'vitest';
import { newDesign } from '../../core/document/index.ts';
import { tileOrder } from '../../core/export/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { exportTask } from '../paint/exportTask.ts';
import { limitsOf } from './limits.ts';
import { Pool } from './pool.ts';
import type { Drawing, ReadTask } from './tasks.ts';
import { removeFolder } from '../testing/folders.ts';

const blobs = mkdtempSync(join(tmpdir(), 'hevrel-pool-'));
afterAll(() => removeFolder(blobs));

const drawing = (inner: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm" viewBox="0 0 9 9">${inner}</svg>`;
const task = (svg: string): ReadTask => {
  const file = join(blobs, `${nanoid()}.svg`);
  writeFileSync(file, svg);
  return { kind: 'read', name: 'a.svg', file, fonts: [], blobs };
};
const RECT = drawing('<rect width="9" height="9"/>');
/** Within all limits, and still seconds of work: large blurs over each other. */
const SLOW = drawing(
  `<filter id="f" x="-9" y="-9" width="19" height="19">${'<feTurbulence numOctaves="12" baseFrequency="0.3"/><feMorphology radius="3"/>'.repeat(12)}</filter>${'<rect width="9" height="9" filter="url(#f)"/>'.repeat(8)}`,
);

let pool: Pool;
afterEach(() => pool.close());
const read = (svg = RECT): Promise<Drawing> => pool.run(task(svg));
const refusal = (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => 'it was done',
    (error: unknown) => String(error),
  );

describe('the pool', () => {
  it('ends processes that have nothing to do, and starts others when something comes', async () => {
    pool = new Pool({ idleMs: 1500 });
    await Promise.all([read(), read(), read()]);
    expect(pool.processes()).toBe(2);
    await vi.waitFor(() => expect(pool.processes()).toBe(0), 9_000);
    expect((await read()).width).toBeCloseTo(9, 6);
    expect(pool.processes()).toBe(1);
  });

  it('stops what takes too long, from when it begins, and goes on with what waits', async () => {
    pool = new Pool({ size: 1, limits: (given) => ({ ...limitsOf(given), ms: 400 }) });
    const works = [refusal(read(SLOW)), refusal(read(SLOW)), read()];
    expect(await works[0]).toMatch(
      /^Error: Reading this file took longer than 0 seconds and was stopped\. Nothing was/,
    );
    expect(await works[1]).toMatch(/took longer than/);
    // It waited longer than it may take, which does not count.
    expect(((await works[2]) as Drawing).width).toBeCloseTo(9, 6);
  });

  it('keeps nobody waiting for more than one of what another window has asked for', async () => {
    pool = new Pool({ size: 1 });
    const ended: string[] = [];
    const ask = (window: string, name: string): Promise<unknown> =>
      pool.run(task(RECT), { signal: new AbortController().signal, window }).then(() => ended.push(name));
    const greedy = Array.from({ length: 5 }, (_, n) => ask('greedy', `greedy ${n}`));
    await Promise.all([...greedy, ask('other', 'other'), ask('', 'nameless')]);
    const greedyBefore = (name: string): number =>
      ended.slice(0, ended.indexOf(name)).filter((one) => one.startsWith('greedy')).length;
    expect(greedyBefore('other')).toBeLessThanOrEqual(2);
    expect(greedyBefore('nameless')).toBeLessThanOrEqual(2);
    expect(ended).toHaveLength(7);
  });

  it('stops what takes too much memory', async () => {
    pool = new Pool({ size: 1, limits: (given) => ({ ...limitsOf(given), memory: 1 }) });
    expect(await refusal(read(SLOW))).toMatch(/took more than 0 MB of memory and was stopped\. Nothing was changed/);
  });

  it.skipIf(process.platform !== 'linux')('loses one task with a process that dies, and no other', async () => {
    pool = new Pool({ size: 1 });
    await read();
    const [lost, kept] = [refusal(read(SLOW)), read()];
    const children = readFileSync(`/proc/self/task/${readdirSync('/proc/self/task')[0]}/children`, 'utf8');
    const pids = children.trim().split(' ').map(Number);
    process.kill(pids.at(-1) as number, 'SIGKILL');
    expect(await lost).toMatch(/Reading this file broke off: its process ended\. Nothing was changed/);
    expect((await kept).width).toBeCloseTo(9, 6);
  });

  it('stops what is not wanted any more, whether it waits or is under way', async () => {
    pool = new Pool({ size: 1 });
    const [under, waiting] = [new AbortController(), new AbortController()];
    const context = ({ signal }: AbortController) => ({ signal, progress: () => undefined });
    const works = [
      refusal(pool.run(task(SLOW), context(under))),
      refusal(pool.run(task(RECT), context(waiting))),
      read(),
    ];
    waiting.abort();
    under.abort();
    expect(await Promise.all(works.slice(0, 2))).toEqual(['Error: stopped', 'Error: stopped']);
    expect(((await works[2]) as Drawing).width).toBeCloseTo(9, 6);
  });

  it('reads beside those that are slow', async () => {
    pool = new Pool({ size: 2 });
    const stopper = new AbortController();
    const context = { signal: stopper.signal, progress: () => undefined };
    const ended: string[] = [];
    const slow = [1, 2].map(() => refusal(pool.run(task(SLOW), context)).then((why) => ended.push(why)));
    await read();
    expect(ended).toEqual([]);
    stopper.abort();
    await Promise.all(slow);
    expect(ended).toEqual(['Error: stopped', 'Error: stopped']);
  });

  it('reads while exports are under way, and begins an export only when there is memory for it', async () => {
    pool = new Pool({ exportBudget: 1 });
    const ended: string[] = [];
    const paint = async (name: string): Promise<void> => {
      const design = newDesign('d', 'Plain', { width: 400, height: 400, step: SQUARE });
      const file = join(blobs, name);
      const order = tileOrder({ kind: 'density', dpi: 127 });
      await pool.run(exportTask({ design, motifs: [], blobs, order, file }));
      ended.push(name);
    };
    const exports = [paint('first.png'), paint('second.png')];
    expect(pool.processes()).toBe(1);
    await read().then(() => ended.push('read'));
    await Promise.all(exports);
    expect(ended.filter((name) => name !== 'read')).toEqual(['first.png', 'second.png']);
    expect(ended.indexOf('read')).toBeLessThan(2);
  });
});
