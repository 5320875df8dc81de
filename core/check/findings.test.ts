import { describe, expect, it } from 'vitest';
import { latticeOf, pixelGrid, SQUARE } from '../lattice/index.ts';
import { findClumps } from './clumps.ts';
import { measureCoverage } from './coverage.ts';
import { findFindings } from './findings.ts';
import { findGaps } from './gaps.ts';
import { measureQuarters } from './quarters.ts';
import { OUTLINES, discs, drawn } from '../testing/checkFixtures.ts';

describe('clumps', () => {
  const lattice = latticeOf({ width: 200, height: 200, step: SQUARE });
  const evenly = discs(
    Array.from({ length: 16 }, (_, n) => [25 + 50 * (n % 4), 25 + 50 * Math.floor(n / 4), 0.4] as const),
  );

  it('are where one motif gathers, over a join too, and nowhere where all lie evenly', () => {
    expect(findClumps(lattice, evenly, () => 'red', 6)).toEqual([]);
    const gathered = [
      ...[1, 2, 5, 6, 9, 10].flatMap((n) => evenly[n] ?? []),
      ...discs([
        [2, 3, 0.4],
        [196, 4, 0.4],
        [199, 194, 0.4],
      ]).map((placement, n) => ({ ...placement, id: `g${n}` })),
    ];
    const [clump] = findClumps(lattice, gathered, () => undefined, 6);
    expect(clump).toMatchObject({ by: 'motif', of: 'leaf' });
    expect([...(clump?.ids ?? [])].sort()).toEqual(['g0', 'g1', 'g2']);
    expect(clump?.r).toBeLessThan(8);
  });

  it('are where one ink gathers, of different motifs', () => {
    const mixed = [
      ...evenly.map((placement, n) => ({ ...placement, motif: `m${n}` })),
      ...discs([
        [60, 60, 0.4],
        [66, 58, 0.4],
        [63, 66, 0.4],
        [70, 64, 0.4],
      ]).map((placement, n) => ({ ...placement, id: `r${n}`, motif: `red${n}` })),
    ];
    const [clump] = findClumps(lattice, mixed, (motif) => (motif.startsWith('red') ? '#ff0000' : motif), 6);
    expect(clump).toMatchObject({ by: 'ink', of: '#ff0000' });
    expect(clump?.ids).toHaveLength(4);
    expect(clump?.nearer).toBeGreaterThan(5);
  });
});

describe('quarters', () => {
  it('tell cover, inks and spacing of each, and of reflected cells the first alone', () => {
    for (const kind of [SQUARE, { ...SQUARE, mirrored: 'both' as const }]) {
      const repeat = { width: 100, height: 100, step: kind };
      const placements = discs([
        [25, 25, 1],
        [75, 25, 1],
        [75, 50 + 25, 0.5],
        [62, 75, 0.5],
      ]);
      const coverage = drawn(repeat, placements, (id) => (id === 'd0' ? 1 : 2));
      const lattice = latticeOf(repeat);
      const quarters = measureQuarters(lattice, coverage, 2, placements, findGaps(lattice, placements, OUTLINES, 60));
      const disc = (Math.PI * 100) / 2500;
      expect(quarters.map(({ covered }) => covered)).toEqual(
        [disc, disc, 0, disc / 2].map((share) => expect.closeTo(share, 2) as number),
      );
      expect(quarters[0]?.inks).toEqual([expect.closeTo(disc, 2), 0]);
      expect(quarters[1]?.inks).toEqual([0, expect.closeTo(disc, 2)]);
      expect(quarters[3]?.spacing).toBeCloseTo(3, 0);
      expect(quarters[2]?.spacing).toBeUndefined();
    }
  });
});

describe('findings', () => {
  it('say which motifs stand beside a lane, and which pairs touch but not which are laid over each other', () => {
    const repeat = { width: 100, height: 100, step: SQUARE };
    const placements = discs([
      [10, 30, 1],
      [30.5, 30, 1],
      [60, 30, 1],
      [60, 33, 0.4],
      [85, 62, 1],
    ]);
    const lattice = latticeOf(repeat);
    const { pairs, lanes } = findFindings(
      lattice,
      placements,
      OUTLINES,
      drawn(repeat, placements),
      1,
      () => undefined,
      {
        near: 1.5,
        lane: 3,
      },
    );
    expect(pairs.map(({ a, b }) => `${a}${b}`)).toEqual(['d0d1']);
    expect(pairs[0]?.mm).toBeCloseTo(0.5, 0);
    const level = lanes.filter(({ angle }) => angle === 0).sort((a, b) => a.width - b.width);
    expect(level.map(({ width }) => Math.round(width))).toEqual([12, 48]);
    expect(level[0]?.ids).toEqual(['d0', 'd1', 'd2', 'd4']);
    expect(level[1]?.ids).toEqual(['d0', 'd1', 'd2', 'd4']);
  });

  it('tell inks by the nearest colour, and the ground by nothing being drawn', () => {
    const grid = pixelGrid({ width: 2, height: 1, step: SQUARE }, 2);
    const pixels = new Uint8ClampedArray(grid.cell.width * grid.cell.height * 4);
    pixels.set([250, 10, 10, 255, 0, 0, 240, 200, 0, 0, 240, 20], 0);
    expect([...measureCoverage(pixels, grid, ['#0000ff', '#ff0000']).inks.slice(0, 4)]).toEqual([2, 1, 0, 0]);
  });
});
