import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, expect, it, vi } from 'vitest';
import { Pool } from './pool.ts';

const blobs = mkdtempSync(join(tmpdir(), 'hevrel-pool-'));
afterAll(() => rmSync(blobs, { recursive: true, force: true }));

const SVG = Buffer.from(
  '<svg xmlns="http://www.w3.org/2000/svg" width="9mm" height="9mm" viewBox="0 0 9 9"><rect width="9" height="9"/></svg>',
);

it('ends processes that have nothing to do, and starts others when something comes', async () => {
  const pool = new Pool(2, 1500);
  const read = () => pool.run({ kind: 'read', name: 'a.svg', content: SVG, blobs });
  await Promise.all([read(), read(), read()]);
  expect(pool.processes).toBe(2);
  await vi.waitFor(() => expect(pool.processes).toBe(0), 9_000);
  expect((await read()).width).toBeCloseTo(9, 6);
  expect(pool.processes).toBe(1);
  await pool.close();
});
