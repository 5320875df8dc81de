import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { asDrawn } from '../core/document/index.ts';
import { IDENTITY } from '../core/geometry/index.ts';
import type { ArtworkNode } from '../core/motif/index.ts';
import { paintArtwork } from '../core/paint/index.ts';
import { drawings } from '../core/testing/svgArbitraries.ts';
import { nodeBackend, nodeSurface } from '../server/paint/nodeBackend.ts';
import { Pool } from '../server/work/pool.ts';

/** How long files take to be read. */
export interface ImportTimings {
  /** Files of the set. */
  readonly files: number;
  /** In a process that has read one before, ms. */
  readonly median: number;
  readonly p95: number;
  /** What the first in a new process takes more, ms. */
  readonly start: number;
}

/** Reads the same small drawings each time, with everything that SVG draws with. */
export async function importTimings(blobs: string): Promise<ImportTimings> {
  const set = fc.sample(drawings, { numRuns: 60, seed: 20_261_127 });
  const read = async (pool: Pool, svg: string): Promise<number> => {
    const file = join(blobs, 'bench.svg');
    writeFileSync(file, svg);
    const began = performance.now();
    await pool.run({ kind: 'read', name: 'bench.svg', file, fonts: [], blobs });
    return performance.now() - began;
  };
  const firsts: number[] = [];
  for (let n = 0; n < 3; n += 1) {
    const pool = new Pool({ size: 1 });
    firsts.push(await read(pool, set[0] as string));
    await pool.close();
  }
  const pool = new Pool({ size: 1 });
  await read(pool, set[0] as string);
  const took: number[] = [];
  for (const svg of set) took.push(await read(pool, svg).catch(() => Number.NaN));
  await pool.close();
  const sorted = took.filter(Number.isFinite).sort((a, b) => a - b);
  const at = (share: number): number => sorted[Math.floor(share * sorted.length)] as number;
  return { files: sorted.length, median: at(0.5), p95: at(0.95), start: Math.min(...firsts) - at(0.5) };
}

/** How long so many groups of three shapes take to be painted, half-transparent and opaque, ms. */
export function groupTimings(count: number): { readonly translucent: number; readonly opaque: number } {
  const shape = (x: number, y: number): ArtworkNode => ({
    kind: 'path',
    path: `M ${x} ${y} L ${x + 30} ${y} Q ${x + 40} ${y + 30} ${x} ${y + 30} Z`,
    rule: 'nonzero',
    fill: { kind: 'ink', ink: '#205ac0', opacity: 1 },
  });
  const groups = (opacity: number): ArtworkNode[] =>
    Array.from({ length: count }, (_, n) => {
      const [x, y] = [(n * 37) % 960, (n * 61) % 960];
      const children = [shape(x, y), shape(x + 9, y + 5), shape(x + 4, y + 20)];
      return { kind: 'group', matrix: IDENTITY, opacity, children };
    });
  const paint = (nodes: readonly ArtworkNode[]): number => {
    const sheet = nodeSurface(1000, 1000);
    const began = performance.now();
    paintArtwork(sheet.context, nodes, IDENTITY, {
      backend: nodeBackend(),
      resolve: asDrawn,
      width: 1000,
      height: 1000,
    });
    // Reading back waits for what is still to be drawn.
    sheet.canvas.getContext('2d').getImageData(0, 0, 1, 1);
    return performance.now() - began;
  };
  const [translucent, opaque] = [groups(0.5), groups(1)];
  paint(translucent);
  const runs = [0, 1, 2, 3].map(() => [paint(opaque), paint(translucent)] as const);
  return { opaque: Math.min(...runs.map(([a]) => a)), translucent: Math.min(...runs.map(([, b]) => b)) };
}
