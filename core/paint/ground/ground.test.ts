import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Hex } from '../../colour/index.ts';
import { type Design, type Ground, newDesign } from '../../document/index.ts';
import { pixelGrid, type PixelGrid, SQUARE, toFundamentalDomain } from '../../lattice/index.ts';
import { anyStep, repeatsOf } from '../../testing/arbitraries.ts';
import { patternedGrounds } from '../../testing/groundArbitraries.ts';
import type { Mixing } from '../../recolour/index.ts';
import { groundRows } from './paintGround.ts';
import { type PatternedScene, sceneGround } from './sceneGround.ts';

const COLOURS: Readonly<Record<string, Hex>> = { sand: '#e8dcc0', sea: '#1f5f7f', weed: '#3f5f2f' };
const size = fc.double({ min: 12, max: 40, noNaN: true });
const repeats = repeatsOf(size, size, anyStep);

function designOn(ground: Ground, repeat: Design['repeat']): Design {
  return {
    ...newDesign('d', 'Design', repeat),
    ground,
    inks: Object.keys(COLOURS).map((id) => ({ id, name: id, prints: [] })),
    colourways: [{ id: 'base', name: 'Base', colours: COLOURS }],
  };
}

const patterned = (design: Design, mixing?: Mixing): PatternedScene =>
  sceneGround(design, undefined, mixing) as PatternedScene;

/** Pixels of a part of the plane, which may lie outside the domain. */
function painted(ground: PatternedScene, grid: PixelGrid, margin: number): { data: Uint8ClampedArray; width: number } {
  const { width, height } = grid.lattice.domain;
  const part = { left: -margin, top: -margin, right: width + margin, bottom: height + margin };
  return { data: groundRows(ground, grid)(part), width: width + 2 * margin };
}

describe('a patterned ground', () => {
  it('goes on beyond every edge of the cell as it begins on the other side, on every lattice', () => {
    fc.assert(
      fc.property(
        repeats,
        patternedGrounds(Object.keys(COLOURS)),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (repeat, ground, scale) => {
          const grid = pixelGrid(repeat, scale);
          const margin = 9;
          const { data, width } = painted(patterned(designOn(ground, repeat)), grid, margin);
          const { domain } = grid.lattice;
          let largest = 0;
          for (let y = -margin; y < domain.height + margin; y++)
            for (let x = -margin; x < domain.width + margin; x++) {
              const own = toFundamentalDomain(grid.lattice, { x, y });
              for (let n = 0; n < 4; n++) {
                const here = data[4 * ((y + margin) * width + x + margin) + n] as number;
                const there = data[4 * ((own.y + margin) * width + own.x + margin) + n] as number;
                largest = Math.max(largest, Math.abs(here - there));
              }
            }
          // What is computed at two places may be rounded to either side of a half.
          expect(largest).toBeLessThanOrEqual(1);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('leaves no pixel out whose phase rounds up to a whole wave', () => {
    const width = 25;
    const stops = [
      { ink: 'sand', at: 0 },
      { ink: 'sand', at: 0 },
    ];
    const design = designOn({ kind: 'gradient', stops, across: 7, down: 3 }, { width, height: width, step: SQUARE });
    const { data } = painted(patterned(design), pixelGrid(design.repeat, 1), 9);
    for (let at = 0; at < data.length; at += 4) expect([...data.subarray(at, at + 4)]).toEqual([0xe8, 0xdc, 0xc0, 255]);
  });

  it('is the same whole and in parts', () => {
    fc.assert(
      fc.property(repeats, patternedGrounds(Object.keys(COLOURS)), fc.nat(30), (repeat, ground, cut) => {
        const grid = pixelGrid(repeat, 1.5);
        const rows = groundRows(patterned(designOn(ground, repeat)), grid);
        const { width, height } = grid.lattice.domain;
        const at = Math.min(cut, height - 1);
        const whole = rows({ left: 0, top: 0, right: width, bottom: height });
        const upper = rows({ left: 0, top: 0, right: width, bottom: at });
        const lower = rows({ left: 0, top: at, right: width, bottom: height });
        expect(Buffer.from(whole).equals(Buffer.from([...upper, ...lower]))).toBe(true);
      }),
      { numRuns: 60 },
    );
  });

  it('shows nothing but its inks where the nearer one is asked for', () => {
    fc.assert(
      fc.property(repeats, patternedGrounds(Object.keys(COLOURS)), (repeat, ground) => {
        const grid = pixelGrid(repeat, 1);
        const { data } = painted(patterned(designOn(ground, repeat), 'nearest'), grid, 0);
        const known = new Set(Object.values(COLOURS).map((hex) => Number.parseInt(hex.slice(1), 16)));
        for (let at = 0; at < data.length; at += 4) {
          const [r, g, b] = [data[at] as number, data[at + 1] as number, data[at + 2] as number];
          if (!known.has((r << 16) | (g << 8) | b)) expect.fail(`${r} ${g} ${b} is no ink`);
        }
      }),
      { numRuns: 40 },
    );
  });
});

describe('kinds of ground', () => {
  const repeat = { width: 40, height: 20, step: SQUARE };
  const grid = pixelGrid(repeat, 2);
  const rowOf = (ground: Ground, y = 0): number[] => {
    const { data, width } = painted(patterned(designOn(ground, repeat), 'shares'), grid, 0);
    return Array.from({ length: width }, (_, x) => data[4 * (y * width + x)] as number);
  };

  it('fade from ink to ink along a gradient', () => {
    const stops = [
      { ink: 'sand', at: 0 },
      { ink: 'sea', at: 0.5 },
    ];
    const row = rowOf({ kind: 'gradient', stops, across: 1, down: 0 });
    const [sand, sea] = [0xe8, 0x1f];
    for (const [x, value] of row.entries()) {
      const phase = (x + 0.5) / 80;
      const share = phase < 0.5 ? 2 * phase : 2 - 2 * phase;
      expect(Math.abs(value - (sand + share * (sea - sand)))).toBeLessThanOrEqual(1.5);
    }
  });

  it('end where the next begins in stripes, with the pixel between mixed by what it shows of each', () => {
    const stops = [
      { ink: 'sand', at: 0 },
      { ink: 'sea', at: 10.25 / 80 },
    ];
    const row = rowOf({ kind: 'stripes', stops, across: 1, down: 0 });
    expect(row.slice(0, 10)).toEqual(Array(10).fill(0xe8));
    expect(row[10]).toBe(Math.round(0.25 * 0xe8 + 0.75 * 0x1f));
    expect(row.slice(11)).toEqual(Array(69).fill(0x1f));
  });

  it('exchange or weave inks where bands cross', () => {
    const checks = { kind: 'checks', inks: ['sand', 'sea'], across: 2, down: 1, share: 0.5 } as const;
    const [band, gap] = [0x1f, 0xe8];
    expect([1, 21].map((x) => rowOf({ ...checks, crossing: 'exchanged' })[x])).toEqual([gap, band]);
    const middle = Math.round(0.5 * band + 0.5 * gap);
    const woven = rowOf({ ...checks, crossing: 'woven' });
    expect(woven[1]).toBe(band);
    expect(Math.abs((woven[21] as number) - middle)).toBeLessThanOrEqual(1);
  });

  it('have a texture of the mean and spread that its strength asks for, at any scale', () => {
    for (const texture of ['linen', 'laid', 'grain', 'brush'] as const)
      for (const scale of [4, 12]) {
        const large = { width: 60, height: 60, step: SQUARE };
        const ground: Ground = { kind: 'texture', texture, inks: ['sand', 'sea'], scale: 1, strength: 1, seed: 3 };
        const { data } = painted(patterned(designOn(ground, large), 'shares'), pixelGrid(large, scale), 0);
        let [sum, squares] = [0, 0];
        for (let at = 0; at < data.length; at += 4) {
          const share = ((data[at] as number) - 0xe8) / (0x1f - 0xe8);
          sum += share;
          squares += share * share;
        }
        const mean = sum / (data.length / 4);
        expect(mean).toBeGreaterThan(0.42);
        expect(mean).toBeLessThan(0.58);
        const spread = Math.sqrt(squares / (data.length / 4) - mean * mean);
        expect(spread, `${texture} ${scale}`).toBeGreaterThan(0.1);
        expect(spread, `${texture} ${scale}`).toBeLessThan(0.35);
      }
  });

  it('fade into their mean where they are finer than pixels', () => {
    const stops = [
      { ink: 'sand', at: 0 },
      { ink: 'sea', at: 0.5 },
    ];
    const coarse = pixelGrid(repeat, 0.5);
    const ground = patterned(designOn({ kind: 'stripes', stops, across: 200, down: 0 }, repeat), 'shares');
    const { data } = painted(ground, coarse, 0);
    const mean = (0xe8 + 0x1f) / 2;
    for (let at = 0; at < data.length; at += 4) expect(Math.abs((data[at] as number) - mean)).toBeLessThan(2);
  });
});
