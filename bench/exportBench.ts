import { mkdtempSync, rmSync } from 'node:fs';
import { open } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Design } from '../core/document/index.ts';
import { type ExportOrder, tileOrder } from '../core/export/index.ts';
import { tileOf } from '../core/lattice/index.ts';
import type { Motif } from '../core/motif/index.ts';
import { exportTask } from '../server/paint/exportTask.ts';
import { pageBands } from '../server/paint/pageBands.ts';
import { pngSink } from '../server/paint/pngSink.ts';
import { preparePainting } from '../server/paint/preparePainting.ts';
import type { Studio } from '../server/studio.ts';

/** Times in ms. */
export interface ExportTimings {
  readonly width: number;
  readonly height: number;
  readonly painting: number;
  readonly encoding: number;
  /** Painted while it is encoded. */
  readonly overlapped: number;
  /** Largest resident memory while overlapped, bytes. */
  readonly peakMemory: number;
}

/** About a square of cloth as wide as a half-drop's tile as a PNG of so many pixels square: painted and encoded one after the other, each on one processor, and together on all. */
export async function exportTimings(
  design: Design,
  motifs: readonly Motif[],
  { pool, blobs: { folder: blobs } }: Studio,
  side: number,
): Promise<ExportTimings> {
  const folder = mkdtempSync(join(tmpdir(), 'hevrel-export-bench-'));
  try {
    const tile = tileOf(design.repeat);
    const order: ExportOrder = {
      ...tileOrder({ kind: 'pixels', width: side }),
      // A file has 400 megapixels at the most.
      extent: { kind: 'length', width: tile.width, height: tile.width - 1 },
    };
    const loading = performance.now();
    const painting = await preparePainting({ design, motifs, blobs, order });
    let painted = performance.now() - loading;
    const { width, height, density } = painting.plan;

    const raw = await open(join(folder, 'raw'), 'w+');
    const rows: number[] = [];
    const bands = pageBands(painting, () => undefined);
    for (;;) {
      const began = performance.now();
      const { value, done } = await bands.next();
      painted += performance.now() - began;
      if (done) break;
      rows.push(value.rows);
      await raw.write(value.data);
    }

    const { channels, depth } = painting;
    const facts = { width, height, channels, depth, density, title: design.name };
    const sink = await pngSink(join(folder, 'alone.png'), facts, undefined, 0);
    let encoded = 0;
    let at = 0;
    for (const count of rows) {
      const data = new Uint8Array(count * width * painting.channels);
      await raw.read(data, 0, data.length, at);
      at += data.length;
      const began = performance.now();
      await sink.write(data);
      encoded += performance.now() - began;
    }
    const ending = performance.now();
    await sink.end();
    encoded += performance.now() - ending;
    await raw.close();

    const task = exportTask({ design, motifs, order, blobs, file: join(folder, 'together.png') });
    // In a process of its own, as for users, which is there before the time is taken.
    const small = tileOrder({ kind: 'pixels', width: 64 });
    await pool.run(exportTask({ design, motifs, order: small, blobs, file: join(folder, 'small.png') }));
    const began = performance.now();
    const { peakMemory } = await pool.run(task);
    return { width, height, painting: painted, encoding: encoded, overlapped: performance.now() - began, peakMemory };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
