import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Placement, withSymmetry } from '../document/index.ts';
import { invert, largestStretch, type Matrix, poseMatrix, transform, UPRIGHT } from '../geometry/index.ts';
import { type Lattice, latticeOf, latticeTranslate, pixelGrid, SQUARE, step } from '../lattice/index.ts';
import type { Silhouette } from '../motif/index.ts';
import { seeded } from '../random/index.ts';
import { anyStep, leafAt } from '../testing/arbitraries.ts';
import { findClumps } from './clumps.ts';
import { type Coverage, measureCoverage } from './coverage.ts';
import { findFindings } from './findings.ts';
import { findGaps } from './gaps.ts';
import { findLanes } from './lanes.ts';
import { distanceFrom, outlineOf } from './outline.ts';
import { measureQuarters } from './quarters.ts';

/** A disc 20 mm across. */
const DISC: Silhouette = { width: 160, height: 160, solid: new Uint8Array(160 * 160) };
for (let y = 0; y < 160; y += 1)
  for (let x = 0; x < 160; x += 1) DISC.solid[y * 160 + x] = Math.hypot(x + 0.5 - 80, y + 0.5 - 80) < 80 ? 1 : 0;
const DISC_MOTIF = { width: 20, view: { x: 0, y: 0, width: 20, height: 20 } };
const OUTLINES = new Map([['leaf', outlineOf(DISC, DISC_MOTIF)]]);
const OUTLINE = outlineOf(DISC, DISC_MOTIF);

/** Discs of 20 mm times their scale. */
function discs(places: readonly (readonly [number, number, number])[]): Placement[] {
  return places.map(([x, y, scale], n) => leafAt(`d${n}`, { ...UPRIGHT, x, y, scale }));
}

/** The cell with its discs drawn in, place by place, by their formula. */
function drawn(
  repeat: Parameters<typeof latticeOf>[0],
  placements: readonly Placement[],
  labelOf: (id: string) => number = () => 1,
): Coverage {
  const grid = pixelGrid(repeat, 1.6);
  const { width, height } = grid.cell;
  const inks = new Uint8Array(width * height);
  const rows = new Map<number, Placement[]>();
  for (const placement of instances(latticeOf(repeat), placements))
    for (let row = Math.floor(placement.y / 10) - 2; row <= Math.floor(placement.y / 10) + 2; row += 1)
      rows.set(row, [...(rows.get(row) ?? []), placement]);
  const near = ({ y }: { y: number }): readonly Placement[] => rows.get(Math.floor(y / 10)) ?? [];
  for (let y = 0; y < height; y += 1) {
    for (let x = 0; x < width; x += 1) {
      const at = { x: (x + 0.5) / grid.scaleX, y: (y + 0.5) / grid.scaleY };
      for (const placement of near(at))
        if (Math.hypot(at.x - placement.x, at.y - placement.y) < 10 * placement.scale)
          inks[y * width + x] = labelOf(placement.id);
    }
  }
  return { grid, inks };
}

/** Every instance in and around the cell. */
function instances(lattice: Lattice, placements: readonly Placement[], far = 3): Placement[] {
  const all: Placement[] = [];
  for (const placement of withSymmetry(lattice, placements)) {
    for (let i = -far; i <= far; i += 1) {
      for (let j = -far; j <= far; j += 1) {
        const by = latticeTranslate(lattice, { i, j });
        all.push({ ...placement, x: placement.x + by.x, y: placement.y + by.y });
      }
    }
  }
  return all;
}

/** Some discs run together, 20 mm across in all. */
function ragged(seed: number): Silhouette {
  const random = seeded(seed);
  const discs = Array.from({ length: 5 }, () => ({
    x: 30 + 100 * random(),
    y: 30 + 100 * random(),
    r: 5 + 25 * random(),
  }));
  return {
    ...DISC,
    solid: DISC.solid.map((_one, at) =>
      discs.some(({ x, y, r }) => Math.hypot((at % 160) - x, Math.floor(at / 160) - y) < r) ? 1 : 0,
    ),
  };
}

const anyDiscs = fc.array(
  fc.tuple(
    fc.double({ min: 0, max: 120, noNaN: true }),
    fc.double({ min: 0, max: 100, noNaN: true }),
    fc.double({ min: 0.3, max: 1.2, noNaN: true }),
  ),
  { minLength: 1, maxLength: 7 },
);

describe('an outline', () => {
  it('tells how far a point is from what is drawn, within and without', () => {
    for (let at = 0; at < 24; at += 0.37) {
      for (const angle of [0, 0.4, 1.1, 2.5, 4])
        expect(Math.abs(distanceFrom(OUTLINE, at * Math.cos(angle), at * Math.sin(angle)) - (at - 10))).toBeLessThan(
          at < 13 ? 0.15 : 2,
        );
    }
    expect(Math.abs(OUTLINE.reach - 10)).toBeLessThan(0.15);
  });
});

describe('gaps', () => {
  it('are those that looking at every instance finds, over joins and in every step', () => {
    fc.assert(
      fc.property(
        anyStep.filter(({ drop }) => drop.q <= 4),
        anyDiscs,
        (kind, places) => {
          const lattice = latticeOf({ width: 130, height: 110, step: kind });
          const placements = discs(places);
          const gaps = findGaps(lattice, placements, OUTLINES, 9);
          const shown = instances(lattice, placements);
          for (const [n, one] of placements.entries()) {
            // Discs are apart by their middles less their radii.
            const truth = shown
              .filter((other) => Number(other.id.slice(1)) !== n)
              .map((other) => ({
                id: other.id,
                mm: Math.hypot(one.x - other.x, one.y - other.y) - 10 * (one.scale + other.scale),
              }));
            const least = Math.min(...truth.map(({ mm }) => mm));
            const told = Math.min(
              9,
              ...gaps.filter(({ a, b }) => a !== b && (a === one.id || b === one.id)).map(({ mm }) => mm),
            );
            // Within a disc that lies in another, edges tell how deep the nearer of them is; only the sign is of use there.
            if (least < -2) expect(told).toBeLessThan(0);
            else expect(Math.abs(told - Math.min(9, least))).toBeLessThan(0.5);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('are the same as of all points of an edge, whatever the shape', () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.oneof(fc.constant(1), fc.double({ min: 0.4, max: 2, noNaN: true })),
        fc.double({ min: -28, max: 28, noNaN: true }),
        fc.double({ min: -28, max: 28, noNaN: true }),
        (seed, rotation, stretch, x, y) => {
          const outline = outlineOf(ragged(seed), DISC_MOTIF);
          const [one, other] = [
            leafAt('a', { ...UPRIGHT, x: 100, y: 100 }),
            leafAt('b', { ...UPRIGHT, x: 100 + x, y: 100 + y, rotation, aspect: stretch, scale: 0.7 }),
          ] as const;
          const [gap] = findGaps(
            latticeOf({ width: 400, height: 400, step: SQUARE }),
            [one, other],
            new Map([['leaf', outline]]),
            12,
          );
          // From the smaller to the larger, point by point.
          const [from, to] = stretch * 0.7 <= 1 ? [other, one] : [one, other];
          const [matrix, back] = [poseMatrix(from), invert(poseMatrix(to)) as Matrix];
          const least = 1 / largestStretch(back);
          let mm = Infinity;
          for (let n = 0; n < outline.points.length; n += 2) {
            const p = transform(
              back,
              transform(matrix, { x: outline.points[n] as number, y: outline.points[n + 1] as number }),
            );
            mm = Math.min(
              mm,
              distanceFrom(outline, p.x, p.y) * least - outline.across / 2 / largestStretch(invert(matrix) as Matrix),
            );
          }
          if (gap) expect(gap.mm).toBeCloseTo(mm, 6);
          // One that is stretched is told rather too near, but not where its reach tells that it is far.
          else if (stretch === 1) expect(mm).toBeGreaterThanOrEqual(12);
        },
      ),
      { numRuns: 100 },
    );
  });

  it('from one to itself are told once, by its instances and reflections', () => {
    const [only] = discs([[5, 50, 1]]) as [Placement];
    const gaps = findGaps(latticeOf({ width: 24, height: 200, step: SQUARE }), [only], OUTLINES, 9);
    expect(gaps.map(({ a, b, mm }) => [a, b, Math.round(mm)])).toEqual([['d0', 'd0', 4]]);
    const mirrored = findGaps(
      latticeOf({ width: 100, height: 200, step: { ...SQUARE, mirrored: 'columns' } }),
      [{ ...only, x: 12 }],
      OUTLINES,
      9,
    );
    expect(mirrored.map(({ mm }) => Math.round(mm))).toEqual([4]);
    expect(mirrored[0]?.at.x).toBeCloseTo(2, 0);
  });
});

describe('lanes', () => {
  it('are found where they were left, with their width and angle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 80, noNaN: true }),
        (scale, at) => {
          // Discs every 20 mm, in rows 40 mm apart that a half-drop leaves alone: level lanes, and none upright.
          const repeat = { width: 80, height: 80, step: step('brick', 1, 2) };
          const placements = discs(
            [0, 20, 40, 60].flatMap(
              (x) =>
                [
                  [x, at, scale],
                  [x + 10, (at + 40) % 80, scale],
                ] as const,
            ),
          );
          const lanes = findLanes(drawn(repeat, placements), 3, 6);
          const level = lanes.filter(({ angle }) => angle === 0);
          expect(level).toHaveLength(2);
          for (const { width, at: middle } of level) {
            expect(width).toBeGreaterThan(40 - 20 * scale - 1.5);
            expect(width).toBeLessThanOrEqual(40 - 20 * scale + 1.3);
            const off = (((middle.y - at) % 40) + 40) % 40;
            expect(Math.abs(off - 20)).toBeLessThan(1);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it('run nowhere over what is drawn', () => {
    fc.assert(
      fc.property(
        anyStep.filter(({ drop }) => drop.q <= 4),
        anyDiscs,
        (kind, places) => {
          const repeat = { width: 130, height: 110, step: kind };
          const placements = discs(places);
          const shown = instances(latticeOf(repeat), placements, 8);
          for (const { angle, at, width } of findLanes(drawn(repeat, placements), 2, 6)) {
            const [nx, ny] = [-Math.sin((angle * Math.PI) / 180), Math.cos((angle * Math.PI) / 180)];
            for (const placement of shown)
              expect(Math.abs(nx * (placement.x - at.x) + ny * (placement.y - at.y))).toBeGreaterThan(
                width / 2 + 10 * placement.scale - 1,
              );
          }
        },
      ),
      { numRuns: 20 },
    );
  });

  it('are none where motifs close every way, and none where nothing lies', () => {
    const repeat = { width: 60, height: 60, step: step('half-drop') };
    const closed = discs([
      [10, 10, 1.05],
      [30, 22, 1.05],
      [50, 12, 1.05],
      [12, 38, 1.05],
      [33, 46, 1.05],
      [52, 36, 1.05],
    ]);
    expect(findLanes(drawn(repeat, closed), 1.5, 6)).toEqual([]);
    expect(findLanes(drawn(repeat, []), 1.5, 6)).toEqual([]);
  });
});

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
