import { execFileSync } from 'node:child_process';
import { appendFileSync, cpSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { check } from '../backup/commands.ts';
import { seeded } from '../../core/random/index.ts';
import { isDiskFull } from '../store/space.ts';
import { Client, Refused } from '../testing/client.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { startProcess, type Running } from '../testing/process.ts';
import { told } from '../testing/told.ts';
import { removeFolder } from '../testing/folders.ts';

/** Thirty in `npm run soak`; none in `npm test`, since a small disk of its own can only be mounted with rights that not every machine gives. */
const DISKS = process.env['HEVREL_SOAK'] ? 30 : 0;
const place = mkdtempSync(join(tmpdir(), 'hevrel-disk-'));
const disk = join(place, 'disk');
const data = join(disk, 'data');
const filler = join(disk, 'filler');
let server: Running | undefined;

const mount = (): void => void execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=300m', 'none', disk]);

beforeAll(() => {
  mkdirSync(disk);
  if (DISKS > 0) mount();
});

afterAll(() => {
  server?.child.kill('SIGKILL');
  if (DISKS > 0) execFileSync('umount', ['-l', disk]);
  removeFolder(place);
});

/** Writes until nothing more can be written. */
function fill(): void {
  const block = Buffer.alloc(256 * 1024, 1);
  try {
    for (;;) appendFileSync(filler, block);
  } catch (error) {
    if (!isDiskFull(error)) throw error;
  }
}

it.runIf(DISKS > 0)(
  'loses nothing that was acknowledged on disks that fill up at random moments, and works again once there is room',
  async () => {
    const random = seeded(20_261_128);
    const empty = emptyFolder();
    cpSync(empty, data, { recursive: true });
    removeFolder(empty);
    let [saves, imports, refusals] = [0, 0, 0];
    let design: string | undefined;
    let acknowledged = 0;
    const motifs: string[] = [];
    for (let n = 0; n < DISKS; n += 1) {
      server = startProcess('--port', '0', '--data', data, '--empty');
      const client = new Client(await server.url);
      design ??= await client.newDesign('0');
      const there = await client.design(design);
      const { name } = there;
      let { revision } = there;
      expect(Number(name)).toBeGreaterThanOrEqual(acknowledged);
      let isFull = false;
      let hasRoom = false;
      setTimeout(
        () => {
          fill();
          isFull = true;
        },
        100 + random() * 1500,
      );
      let afterwards = 0;
      let tried = Number(name);
      for (let step = 0; afterwards < 5; step += 1) {
        try {
          if (step % 4 === 3) {
            motifs.push(
              await client.importDrawing(
                `<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><path d="M0 0h9v${n}.${step}z"/></svg>`,
              ),
            );
            imports += 1;
          } else {
            tried += 1;
            revision = await client.save(design, revision, String(tried), `disk-${n}-save-${step}`);
            acknowledged = tried;
            saves += 1;
          }
          if (hasRoom) afterwards += 1;
        } catch (error) {
          if (!(error instanceof Refused)) throw error;
          expect([507, 503, 409], error.message).toContain(error.status);
          refusals += 1;
          // Whether the last one arrived is read, as a window would.
          if (isFull && !hasRoom) {
            // Reading goes on.
            expect(await client.status('/designs')).toBe(200);
            expect(await client.status(`/designs/${design}`)).toBe(200);
            rmSync(filler);
            hasRoom = true;
            await new Promise((wait) => setTimeout(wait, 400));
          }
          const there = await client.design(design);
          revision = there.revision;
          expect(Number(there.name)).toBeGreaterThanOrEqual(acknowledged);
        }
      }
      server.child.kill(random() < 0.5 ? 'SIGTERM' : 'SIGKILL');
      await server.ended;
      rmSync(filler, { force: true });
    }
    // Started where nothing can be written, it says so, and starts as soon as something can.
    fill();
    const stuck = startProcess('--port', '0', '--data', data);
    const { code, err } = await stuck.ended;
    expect(code).toBe(1);
    expect(err.trim()).toMatch(/^The disk is full: .*free some space and start again\.$/);
    rmSync(filler);
    server = startProcess('--port', '0', '--data', data);
    expect(Number((await new Client(await server.url).design(design ?? '')).name)).toBeGreaterThanOrEqual(acknowledged);
    server.child.kill('SIGTERM');
    await server.ended;
    const outcome = await check(['--data', data]);
    expect(outcome.code, outcome.text).toBe(0);
    told(
      `${DISKS} disks filled, ${saves} saves and ${imports} imports acknowledged, ${refusals} refused with a sentence, 0 lost`,
    );
  },
  1_200_000,
);
