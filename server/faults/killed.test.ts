import { startBackup, startBatch, startExport, startPack } from '../../contract/index.ts';
import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, expect, it } from 'vitest';
import { check } from '../backup/commands.ts';
import { seeded } from '../../core/random/index.ts';
import { Client } from '../testing/client.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { startProcess, type Running } from '../testing/process.ts';
import { told } from '../testing/told.ts';
import { tileOrder } from '../../core/export/index.ts';
import { removeFolder } from '../testing/folders.ts';

/** Few here; five hundred in `npm run soak`, on several folders at a time. */
const [KILLS, FOLDERS] = process.env['HEVREL_SOAK'] ? [500, 4] : [5, 1];
const FEW = 4;
/** What is done beside saving, each as often as it stands here: an import takes longest. */
const BESIDE = ['nothing', 'export', 'backup', 'batch', 'pack', 'export', 'nothing', 'import'];
const folders = Array.from({ length: FOLDERS }, emptyFolder);
const running = new Set<Running>();

afterAll(() => {
  for (const { child } of running) child.kill('SIGKILL');
  for (const folder of folders) for (const left of [folder, `${folder}-backups`]) removeFolder(left);
});

/** What a folder was told to keep, and has to have after each kill. */
interface Kept {
  design: string | undefined;
  /** Saves that were sent, and the last that was acknowledged. */
  sent: number;
  acknowledged: number;
  /** Motifs whose import was acknowledged. */
  readonly motifs: string[];
}

const drawing = (n: number): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="20" height="20"><path fill="#b3402e" d="M0 0h${10 + (n % 10)}v${1 + (n % 17)}L${n % 7} 9z"/><text>${n}</text></svg>`;

/** One life of a server: what was kept is there, more is done, and it is killed in the middle. */
async function life(data: string, kept: Kept, random: () => number): Promise<void> {
  const server = startProcess('--port', '0', '--data', data, '--empty');
  running.add(server);
  const client = new Client(await server.url);
  kept.design ??= await client.newDesign('0');
  const there = await client.design(kept.design);
  // What was on its way may have arrived unacknowledged; what was acknowledged has to be there.
  expect(Number(there.name)).toBeGreaterThanOrEqual(kept.acknowledged);
  expect(Number(there.name)).toBeLessThanOrEqual(kept.sent);
  const motifs = new Map((await client.motifs()).map((motif) => [motif.id, motif]));
  for (const id of kept.motifs) {
    const motif = motifs.get(id);
    expect(motif, `the motif ${id}`).toBeDefined();
    if (motif) expect(await client.status(`/blobs/${motif.thumbnail}`)).toBe(200);
  }
  let { revision } = there;
  const save = async (): Promise<void> => {
    kept.sent += 1;
    revision = await client.save(kept.design ?? '', revision, String(kept.sent));
    kept.acknowledged = kept.sent;
  };
  const began = performance.now();
  await save();
  const few = FEW * (performance.now() - began);
  // Killed within the time of a few saves, however long one takes on this machine, or later while one of these is under way.
  const beside = BESIDE[Math.floor(random() * BESIDE.length)];
  const later = beside === 'nothing' ? 0 : 400;
  const importOne = async (): Promise<void> =>
    void kept.motifs.push(await client.importDrawing(drawing(kept.sent * 1000 + kept.motifs.length)));
  // One is acknowledged first: the process that reads drawings takes longer to start than a life lasts.
  if (beside === 'import') await importOne();
  setTimeout(() => server.child.kill('SIGKILL'), random() * (few + later));
  const work = async (): Promise<void> => {
    while (beside === 'import') await importOne();
    if (beside === 'export')
      await client.start(startExport, { design: kept.design, order: tileOrder({ kind: 'pixels', width: 3000 }) });
    if (beside === 'batch')
      await client.start(startBatch, {
        sources: [{ design: kept.design }],
        orders: [tileOrder({ kind: 'pixels', width: 1500 }), tileOrder({ kind: 'pixels', width: 900 })],
      });
    if (beside === 'pack') await client.start(startPack, { designs: [kept.design ?? ''], swatches: [] });
    if (beside === 'backup') await client.start(startBackup, undefined);
  };
  const saving = async (): Promise<never> => {
    for (;;) await save();
  };
  const ends = await Promise.allSettled([saving(), work()]);
  for (const end of ends)
    // Only the killing may end it.
    if (end.status === 'rejected') expect(end.reason).toBeInstanceOf(TypeError);
  await server.ended;
  running.delete(server);
}

it('loses nothing that was acknowledged, killed at random moments while it saves, imports, exports and backs up', async () => {
  const lives = folders.map(async (data, n) => {
    const random = seeded(20_261_123 + n);
    const kept: Kept = { design: undefined, sent: 0, acknowledged: 0, motifs: [] };
    for (let kill = 0; kill < KILLS / FOLDERS; kill += 1) await life(data, kept, random);
    // More than the first of each time were saved, so it was hit while it was saving.
    expect(kept.acknowledged).toBeGreaterThan(KILLS / FOLDERS);
    const outcome = await check(['--data', data]);
    expect(outcome.code, outcome.text).toBe(0);
    // Nothing half-made is left either.
    for (const folder of ['drafts', 'exports'])
      expect(existsSync(join(data, folder)) && readdirSync(join(data, folder)), folder).toEqual([]);
    return kept;
  });
  const all = await Promise.all(lives);
  const saves = all.reduce((sum, { acknowledged }) => sum + acknowledged, 0);
  const imports = all.reduce((sum, { motifs }) => sum + motifs.length, 0);
  told(`${KILLS} kills, ${saves} saves and ${imports} imports acknowledged, 0 lost`);
});
