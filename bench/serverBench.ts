import pidusage from 'pidusage';
import { startExport } from '../contract/index.ts';
import type { Command, Design, Placement } from '../core/document/index.ts';
import { tileOrder } from '../core/export/index.ts';
import { Client } from '../server/testing/client.ts';
import { startProcess } from '../server/testing/process.ts';
import type { Studio } from '../server/studio.ts';

const SAVES = 400;
const GROWTH_SAVES = 2200;

/** Times in ms. */
export interface SaveTimings {
  readonly save: { readonly median: number; readonly p95: number };
  /** A transaction that writes the same bytes and does nothing else. */
  readonly bare: { readonly median: number; readonly p95: number };
}

/** One motif moved and saved, in turns with a bare transaction of the same bytes. */
export async function saveTimings({ designs, database }: Studio, design: Design): Promise<SaveTimings> {
  await database.query('CREATE TABLE IF NOT EXISTS bare (bytes text)');
  let { revision } = await designs.read(design.id);
  const [save, bare]: [number[], number[]] = [[], []];
  for (let n = 0; n < SAVES; n += 1) {
    const commands = [moveOf(design, n)];
    save.push(
      await timed(async () => {
        revision = await designs.save(design.id, { save: `bench-save-${revision}`, revision, commands });
      }),
    );
    bare.push(await timed(() => database.query('INSERT INTO bare VALUES ($1)', [JSON.stringify(commands)])));
  }
  await database.query('DROP TABLE bare');
  return { save: summary(save), bare: summary(bare) };
}

/** How much the database grows with saves, as a share of the bytes of their commands, after a vacuum. */
export async function growth({ designs, database }: Studio, design: Design): Promise<number> {
  const size = async (): Promise<number> => {
    await database.query('VACUUM');
    const { rows } = await database.query<{ size: number }>(
      'SELECT pg_database_size(current_database())::float8 AS size',
    );
    return rows[0]?.size ?? 0;
  };
  let { revision } = await designs.read(design.id);
  const before = await size();
  let bytes = 0;
  for (let n = 0; n < GROWTH_SAVES; n += 1) {
    const commands = [moveOf(design, n)];
    bytes += JSON.stringify(commands).length;
    revision = await designs.save(design.id, { save: `bench-grow-${revision}`, revision, commands });
  }
  return ((await size()) - before) / bytes;
}

/** A server as a process of its own. */
export interface ServerTimings {
  /** From the start to the first answer, ms, of a folder that is there. */
  readonly ready: number;
  /** Resident memory, bytes. */
  readonly idle: number;
  readonly afterImports: number;
  readonly afterExports: number;
}

/** Starts a server on a folder and works it. @param options of its command, besides */
export async function serverTimings(
  data: string,
  { imports, exports, restMs }: { readonly imports: number; readonly exports: number; readonly restMs: number },
  options: readonly string[] = [],
): Promise<ServerTimings> {
  const began = performance.now();
  const { child, url, ended } = startProcess('--port', '0', '--data', data, ...options);
  const client = new Client(await url);
  await client.status('/designs');
  const ready = performance.now() - began;
  const memory = async (): Promise<number> => {
    await new Promise((wait) => setTimeout(wait, restMs));
    return (await pidusage(child.pid ?? 0)).memory;
  };
  const idle = await memory();
  for (let n = 0; n < imports; n += 1)
    await client.importDrawing(
      `<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><path fill="#b3402e" d="M0 0h40v${n % 40}L${n / 20} 9z"/></svg>`,
    );
  const afterImports = await memory();
  const design = await client.newDesign('Bench');
  for (let n = 0; n < exports; n += 1) {
    const order = tileOrder({ kind: 'pixels', width: 400 + n });
    const state = await client.start(startExport, { design, order });
    if (state !== 'done') throw new Error(`an export ended as ${state}`);
  }
  const afterExports = await memory();
  child.kill('SIGTERM');
  await ended;
  return { ready, idle, afterImports, afterExports };
}

/** What a drag of one motif sends: its place, to the last digit. */
function moveOf({ placements }: Design, n: number): Command {
  const { id } = placements[n % placements.length] as Placement;
  return { type: 'change', changes: { [id]: { x: 100 * Math.abs(Math.sin(n)), y: 100 * Math.abs(Math.cos(n)) } } };
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const began = performance.now();
  await work();
  return performance.now() - began;
}

function summary(times: readonly number[]): { median: number; p95: number } {
  const sorted = [...times].sort((a, b) => a - b);
  return { median: sorted[sorted.length >> 1] ?? 0, p95: sorted[Math.floor(sorted.length * 0.95)] ?? 0 };
}
