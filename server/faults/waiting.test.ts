import { afterAll, expect, it } from 'vitest';
import { startExport } from '../../contract/index.ts';
import { tileOrder } from '../../core/export/index.ts';
import { Client } from '../testing/client.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { removeFolder } from '../testing/folders.ts';
import { startProcess, type Running } from '../testing/process.ts';
import { told } from '../testing/told.ts';

const IS_SOAK = Boolean(process.env['HEVREL_SOAK']);
/** How many files wait, and their width, pixels. */
const [FILES, WIDTH] = IS_SOAK ? [320, 2000] : [16, 500];
const data = emptyFolder();
let server: Running | undefined;

afterAll(() => {
  server?.child.kill('SIGKILL');
  removeFolder(data);
});

const start = async (): Promise<Client> => {
  server = startProcess('--port', '0', '--data', data, '--empty');
  return new Client(await server.url);
};
/** Ends the server as a system does that shuts down. @returns what it took, ms */
const end = async (): Promise<number> => {
  const begins = performance.now();
  server?.child.kill('SIGTERM');
  expect((await server?.ended)?.code).toBe(0);
  return performance.now() - begins;
};
const stateOf = async (client: Client, id: string): Promise<string> =>
  (await client.call<{ state: string }>('GET', `/jobs/${id}`)).state;

it('answers before it goes on with the files that wait, and ends whatever waits', async () => {
  let client = await start();
  const design = await client.newDesign('Kelp');
  const order = tileOrder({ kind: 'pixels', width: WIDTH });
  const jobs: string[] = [];
  for (let n = 0; n < FILES; n += 1)
    jobs.push((await client.call<{ id: string }>(startExport.method, startExport.path, { design, order })).id);
  const last = jobs.at(-1) as string;
  const ended = await end();

  const begins = performance.now();
  client = await start();
  expect((await client.design(design)).name).toBe('Kelp');
  const answered = performance.now() - begins;
  // Most of them still wait, the last with them, and all go on under the names that they were given.
  expect(await stateOf(client, last)).toBe('running');
  await expect.poll(() => stateOf(client, last), { timeout: 3_000_000, interval: 200 }).toBe('done');
  for (const job of jobs) expect(await stateOf(client, job)).toBe('done');
  told(
    `${FILES} files waiting: the server ended in ${ended.toFixed(0)} ms, and answered ${answered.toFixed(0)} ms after its start`,
  );
  if (IS_SOAK) expect(ended).toBeLessThan(10_000);
});
