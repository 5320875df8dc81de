import { afterAll, describe, expect, it } from 'vitest';
import { emptyFolder } from '../server/testing/emptyFolder.ts';
import { removeFolder } from '../server/testing/folders.ts';
import { serverTimings } from './serverBench.ts';

const folder = emptyFolder();
afterAll(() => removeFolder(folder));

describe('the bench', () => {
  it('still does at the server what it measures', async () => {
    const timings = await serverTimings(folder, { imports: 1, exports: 1, restMs: 0 }, ['--empty']);
    for (const measured of Object.values(timings)) expect(measured).toBeGreaterThan(0);
  });
});
