import { rmSync } from 'node:fs';
import { afterAll, expect, it } from 'vitest';
import { OWN_HEADER } from '../contract/index.ts';
import { seeded } from '../core/random/index.ts';
import { emptyFolder } from './testing/emptyFolder.ts';
import { startProcess, type Running } from './testing/process.ts';

/** Few here; five hundred in `npm run soak`. */
const KILLS = process.env['HEVREL_SOAK'] ? 500 : 5;
const FEW = 4;
const data = emptyFolder();
let last: Running | undefined;

afterAll(() => {
  last?.child.kill('SIGKILL');
  rmSync(data, { recursive: true, force: true });
});

async function call<T>(url: string, method: string, path: string, body?: unknown): Promise<T> {
  const response = await fetch(`${url}/api${path}`, {
    method,
    ...(body !== undefined && {
      headers: { ...OWN_HEADER, 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    }),
  });
  if (!response.ok) throw new Error(`${response.status} ${await response.text()}`);
  return (await response.json()) as T;
}

it('loses no acknowledged save, killed at random moments while it saves', async () => {
  const random = seeded(20_261_123);
  let id: string | undefined;
  let acknowledged = 0;
  let saves = 0;
  for (let kill = 0; kill < KILLS; kill += 1) {
    last = startProcess('--port', '0', '--data', data, '--empty');
    const { child, ended } = last;
    const url = await last.url;
    id ??= (
      await call<{ design: { id: string } }>(url, 'POST', '/designs', {
        name: '0',
        repeat: { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } },
      })
    ).design.id;
    const there = await call<{ design: { name: string }; revision: number }>(url, 'GET', `/designs/${id}`);
    // What was on its way may have arrived unacknowledged; what was acknowledged has to be there.
    expect(Number(there.design.name), `after kill ${kill}`).toBeGreaterThanOrEqual(acknowledged);
    expect(Number(there.design.name)).toBeLessThanOrEqual(saves);
    let { revision } = there;
    const save = async (): Promise<void> => {
      saves += 1;
      revision = (
        await call<{ revision: number }>(url, 'PATCH', `/designs/${id}`, {
          save: `kill-${kill}-${saves}`,
          revision,
          commands: [{ type: 'name', name: String(saves) }],
        })
      ).revision;
      acknowledged = saves;
    };
    // Killed within the time of a few saves, however long one takes on this machine.
    const began = performance.now();
    await save();
    setTimeout(() => child.kill('SIGKILL'), random() * FEW * (performance.now() - began));
    try {
      for (;;) await save();
    } catch (error) {
      // Only the killing may end it.
      expect(error).toBeInstanceOf(TypeError);
    }
    await ended;
  }
  // More than the first of each time were saved, so it was hit while it was saving.
  expect(acknowledged).toBeGreaterThan(KILLS);
}, 400_000);
