import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { labelComponents } from './connectedComponents.ts';
import { cutOut, cutSheet, drawingAt } from './cut.ts';
import { removeSpecks } from './specks.ts';
import { picture, shown } from '../testing/scanFixtures.ts';

const anyMask = fc
  .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }))
  .chain(([width, height]) =>
    fc
      .array(fc.boolean(), { minLength: width * height, maxLength: width * height })
      .map((set) => ({ width, height, set: Uint8Array.from(set, Number) })),
  );

function flooded(set: Uint8Array, width: number, height: number, diagonal: boolean): Int32Array {
  const label = new Int32Array(set.length).fill(-1);
  const steps = [
    [1, 0],
    [-1, 0],
    [0, 1],
    [0, -1],
    ...(diagonal
      ? [
          [1, 1],
          [1, -1],
          [-1, 1],
          [-1, -1],
        ]
      : []),
  ] as const;
  for (let start = 0; start < set.length; start += 1) {
    if (!set[start] || label[start] !== -1) continue;
    const stack = [start];
    label[start] = start;
    for (let n = stack.pop(); n !== undefined; n = stack.pop()) {
      for (const [dx, dy] of steps) {
        const x: number = (n % width) + dx;
        const y: number = Math.floor(n / width) + dy;
        const m = y * width + x;
        if (x < 0 || y < 0 || x >= width || y >= height || !set[m] || label[m] !== -1) continue;
        label[m] = start;
        stack.push(m);
      }
    }
  }
  return label;
}

describe('specks', () => {
  it('go by their area, and what touches at a corner hangs together', () => {
    const grid = picture('#  #   ', '    #  ', '##   ##', '##   ##');
    removeSpecks(grid, 3);
    expect(shown(grid)).toEqual(['   #   ', '    #  ', '##   ##', '##   ##']);
    removeSpecks(grid, 5);
    expect(shown(grid)).toEqual(['   #   ', '    #  ', '     ##', '     ##']);
  });

  it('are told apart as a flood would, whatever the mask', () => {
    fc.assert(
      fc.property(anyMask, fc.boolean(), ({ width, height, set }, diagonal) => {
        const parts = labelComponents(set, width, height, diagonal);
        const label = new Int32Array(set.length).fill(-1);
        for (let n = 0; n < parts.row.length; n += 1)
          for (let x = parts.from[n] as number; x < (parts.to[n] as number); x += 1)
            label[(parts.row[n] as number) * width + x] = parts.part[n] as number;
        const flood = flooded(set, width, height, diagonal);
        for (let a = 0; a < set.length; a += 1) {
          expect(label[a] === -1).toBe(flood[a] === -1);
          for (let b = 0; b < a; b += 1)
            if (set[a] && set[b]) expect(label[a] === label[b]).toBe(flood[a] === flood[b]);
        }
        const counted = [...parts.areas].reduce((x, y) => x + y, 0);
        expect(counted).toBe(set.reduce((x, y) => x + y, 0));
      }),
    );
  });
});

describe('cutting a sheet', () => {
  const sheet = picture('##    ##    #', '##    ##    #', '             ', '    ##       ', '    ##       ');
  const cutBy = (gap: number, rest: object = {}) =>
    cutSheet(sheet, 1, { gap, joins: [], splits: [], without: [], ...rest });

  it('keeps together what lies closer than the gap', () => {
    expect(cutBy(1).drawings).toHaveLength(4);
    expect(cutBy(3.6).drawings).toHaveLength(2);
    expect(cutBy(6).drawings).toHaveLength(1);
  });

  it('goes by rows, left to right, and gives each its own pixels alone', () => {
    const cut = cutBy(1);
    expect(cut.drawings.map(({ box }) => [box.left, box.top])).toEqual([
      [0, 0],
      [6, 0],
      [12, 0],
      [4, 3],
    ]);
    expect(shown(cutOut(sheet, cut, cut.drawings[3] as (typeof cut.drawings)[number]).pixels)).toEqual(['##', '##']);
  });

  it('joins and leaves out by a point in each, and finds each again by its own', () => {
    const joined = cutBy(1, {
      joins: [
        [
          { x: 0.5, y: 0.5 },
          { x: 12.5, y: 0.5 },
        ],
      ],
    });
    expect(joined.drawings).toHaveLength(3);
    expect(joined.drawings[0]?.box).toEqual({ left: 0, top: 0, right: 13, bottom: 2 });
    expect(shown(cutOut(sheet, joined, joined.drawings[0] as (typeof joined.drawings)[number]).pixels)).toEqual([
      '##          #',
      '##          #',
    ]);
    const without = cutBy(1, { without: [{ x: 6.5, y: 1 }] });
    expect(without.drawings.map(({ isLeftOut }) => isLeftOut)).toEqual([false, true, false, false]);
    for (const drawing of without.drawings) expect(drawingAt(without, 1, drawing.anchor)).toBe(drawing);
  });

  it('parts a drawing along a line and loses nothing under it', () => {
    const bar = picture('          ', '##########', '##########', '          ');
    const cut = cutSheet(bar, 1, {
      gap: 1,
      joins: [],
      without: [],
      splits: [
        [
          { x: 5, y: 0 },
          { x: 5, y: 4 },
        ],
      ],
    });
    expect(cut.drawings).toHaveLength(2);
    const places = cut.drawings
      .map((sheetDrawing) => cutOut(bar, cut, sheetDrawing).pixels)
      .reduce((sum, { data }) => sum + data.filter((v, i) => i % 4 === 3 && v > 0).length, 0);
    expect(places).toBe(20);
  });
});
