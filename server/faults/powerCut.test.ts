import { cpSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { newDesign } from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { seeded } from '../../core/random/index.ts';
import { Designs } from '../store/designs.ts';
import { openPostgres } from '../store/postgres.ts';
import { PostgresFiles } from '../store/postgresFiles.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { told } from '../testing/told.ts';
import { afterCut, RecordedFiles } from '../testing/recordedFiles.ts';
import { removeFolder } from '../testing/folders.ts';

/** Few here; two hundred in `npm run soak`. */
const CUTS = process.env['HEVREL_SOAK'] ? 200 : 4;
const SAVES = 60;
const studio = emptyFolder();
const place = mkdtempSync(join(tmpdir(), 'hevrel-cut-'));
const database = join(studio, 'database');
const base = join(place, 'base');

/** How many steps had been taken when a save was acknowledged. */
const acknowledged: number[] = [];
let files: RecordedFiles;

beforeAll(async () => {
  cpSync(database, base, { recursive: true });
  files = new RecordedFiles(database);
  const postgres = await openPostgres(database, files);
  const designs = new Designs(postgres);
  await designs.insert(newDesign('d', '0', { width: 100, height: 100, step: SQUARE }));
  for (let n = 1; n <= SAVES; n += 1) {
    await designs.save('d', { save: `save-${n}-of-it`, revision: n, commands: [{ type: 'name', name: String(n) }] });
    acknowledged.push(files.steps.length);
    // As they come in use: the log's beginning is used again, and rows that were replaced are cleared.
    if (n % 20 === 0) await postgres.query('CHECKPOINT');
    if (n % 30 === 0) await postgres.query('VACUUM');
  }
  await postgres.close();
});

afterAll(() => {
  for (const folder of [studio, place]) removeFolder(folder);
});

it('loses no acknowledged save in a power cut that takes writes which nobody had waited for', async () => {
  const random = seeded(20_261_127);
  const first = acknowledged[0] as number;
  for (let cut = 0; cut < CUTS; cut += 1) {
    const at = first + Math.floor(random() * (files.steps.length - first));
    const folder = join(place, `cut-${cut}`);
    afterCut(base, folder, files.steps.slice(0, at), random);
    const postgres = await openPostgres(folder, new PostgresFiles(folder));
    const { design, revision } = await new Designs(postgres).read('d');
    const { rows } = await postgres.query<{ commands: string }>('SELECT commands FROM saves ORDER BY revision');
    await postgres.close();
    removeFolder(folder);
    const known = acknowledged.filter((steps) => steps <= at).length;
    const there = rows.map(({ commands }) => Number((JSON.parse(commands) as { name: string }[])[0]?.name));
    // Each once and in order, none that was acknowledged missing; the one on its way may have arrived.
    expect(there, `cut ${cut} after step ${at}`).toEqual(there.map((_, n) => n + 1));
    expect(there.length).toBeGreaterThanOrEqual(known);
    expect(there.length).toBeLessThanOrEqual(known + 1);
    expect([design.name, revision]).toEqual([String(there.length), there.length + 1]);
  }
  told(`${CUTS} power cuts, ${SAVES} saves acknowledged before them, 0 lost`);
});
