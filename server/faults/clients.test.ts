import { afterAll, expect, it } from 'vitest';
import { check } from '../backup/commands.ts';
import { seeded } from '../../core/random/index.ts';
import { Client, Refused } from '../testing/client.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { startProcess, type Running } from '../testing/process.ts';
import { told } from '../testing/told.ts';
import { removeFolder } from '../testing/folders.ts';

/** Few here; fifty clients on twenty designs for ten minutes in `npm run soak`. */
const [CLIENTS, DESIGNS, MS] = process.env['HEVREL_SOAK'] ? [50, 20, 600_000] : [6, 3, 3000];
const data = emptyFolder();
let server: Running | undefined;

afterAll(() => {
  server?.child.kill('SIGKILL');
  removeFolder(data);
});

/** A save that was acknowledged: under which name, and as which revision. */
interface Acknowledged {
  readonly save: string;
  readonly revision: number;
}

it('keeps every save of many clients on the same designs, in order and once', async () => {
  server = startProcess('--port', '0', '--data', data, '--empty');
  const url = await server.url;
  const client = new Client(url);
  const designs = await Promise.all(Array.from({ length: DESIGNS }, (_, n) => client.newDesign(`Design ${n}`)));
  const kept = new Map(designs.map((design) => [design, [] as Acknowledged[]]));
  const end = performance.now() + MS;
  let refused = 0;
  let again = 0;

  const work = async (name: string, random: () => number): Promise<void> => {
    for (let n = 0; performance.now() < end; n += 1) {
      const design = designs[Math.floor(random() * designs.length)] as string;
      const save = `${name}-save-${n}`;
      let { revision } = await client.design(design);
      for (let isSaved = false; !isSaved;) {
        try {
          const after = await client.save(design, revision, `${name} ${n}`, save);
          kept.get(design)?.push({ save, revision: after });
          isSaved = true;
          // The answer may not have arrived: sent once more, it counts once.
          if (random() < 0.1) {
            again += 1;
            expect(await client.save(design, revision, `${name} ${n}`, save)).toBe(after);
          }
        } catch (error) {
          // Another client came first: this one takes up what that did.
          if (!(error instanceof Refused) || error.status !== 409) throw error;
          refused += 1;
          revision = (JSON.parse(error.body) as { revision: number }).revision;
        }
      }
    }
  };
  await Promise.all(Array.from({ length: CLIENTS }, (_, n) => work(`client-${n}`, seeded(n + 1))));

  let saves = 0;
  for (const [design, acknowledged] of kept) {
    const ordered = acknowledged.sort((a, b) => a.revision - b.revision);
    expect(ordered.map(({ revision }) => revision)).toEqual(ordered.map((_, n) => n + 2));
    const { revision } = await client.design(design);
    expect(revision).toBe(ordered.length + 1);
    // What other windows are told is what was acknowledged.
    const from = Math.max(1, revision - 250);
    const since = await client.call<{ saves: { save: string }[] }>(
      'GET',
      `/designs/${design}/since/${from}?window=w&editing=0`,
    );
    expect(since.saves.map(({ save }) => save)).toEqual(ordered.slice(from - 1).map(({ save }) => save));
    saves += ordered.length;
  }
  server.child.kill('SIGTERM');
  expect((await server.ended).code).toBe(0);
  const outcome = await check(['--data', data]);
  expect(outcome.code, outcome.text).toBe(0);
  told(
    `${CLIENTS} clients on ${DESIGNS} designs for ${MS / 1000} s: ${saves} saves acknowledged, ${refused} refused for another’s first, ${again} sent twice, 0 lost`,
  );
});
