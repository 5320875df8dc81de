import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { squaredDistances } from '../geometry/index.ts';
import { NO_STEPS } from '../recipe/index.ts';
import { cleanScan } from './clean.ts';
import { labelComponents } from './connectedComponents.ts';
import { cutSheet, drawingAt, drawingPixels } from './cut.ts';
import { evenLight } from './evenLight.ts';
import { findTilt } from './findTilt.ts';
import { inksIn } from './inksIn.ts';
import { applyLevels, histogram, levelTable, proposeLevels } from './levels.ts';
import { cropPixels, drawnBox, rotatePixels, rotateQuarters } from './orient.ts';
import { paperColour, removePaper } from './paper.ts';
import { blankPixels, type PixelImage } from './pixelImage.ts';
import { removeSpecks } from './specks.ts';
import { traceDrawing } from './trace.ts';

/** A picture from rows of letters: `#` ink, `.` paper, `o` half ink, a space see-through. */
const TONES: Readonly<Record<string, readonly number[]>> = {
  '#': [0, 0, 0, 255],
  '.': [255, 255, 255, 255],
  o: [128, 128, 128, 255],
  ' ': [0, 0, 0, 0],
  r: [200, 0, 0, 255],
  p: [240, 230, 210, 255],
};
function picture(...rows: string[]): PixelImage {
  const grid = blankPixels(rows[0]?.length ?? 0, rows.length);
  rows.forEach((row, y) =>
    [...row].forEach((letter, x) => grid.data.set(TONES[letter] as number[], (y * grid.width + x) * 4)),
  );
  return grid;
}
const alphas = ({ width, data }: PixelImage): number[][] =>
  Array.from({ length: data.length / 4 / width }, (_, y) =>
    Array.from({ length: width }, (__, x) => data[(y * width + x) * 4 + 3] as number),
  );
const pixel = ({ width, data }: PixelImage, x: number, y: number): number[] => [
  ...data.slice((y * width + x) * 4, (y * width + x) * 4 + 4),
];
const shown = (grid: PixelImage): string[] => alphas(grid).map((row) => row.map((a) => (a === 0 ? ' ' : '#')).join(''));

const anyMask = fc
  .tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 }))
  .chain(([width, height]) =>
    fc
      .array(fc.boolean(), { minLength: width * height, maxLength: width * height })
      .map((set) => ({ width, height, set: Uint8Array.from(set, Number) })),
  );

describe('levels', () => {
  it('take black, middle and white to 0, half and 255', () => {
    const table = levelTable({ black: 50, middle: 100, white: 200 });
    expect([table[0], table[50], table[100], table[200], table[255]]).toEqual([0, 0, 128, 255, 255]);
    expect(Array.from(levelTable({ black: 0, middle: 127.5, white: 255 }))).toEqual(
      Array.from({ length: 256 }, (_, n) => n),
    );
  });

  it('change every channel by the table and leave the opacity', () => {
    const grid = picture('or ');
    applyLevels(grid, { black: 0, middle: 64, white: 200 });
    const half = levelTable({ black: 0, middle: 64, white: 200 })[128];
    expect(pixel(grid, 0, 0)).toEqual([half, half, half, 255]);
    expect(pixel(grid, 1, 0)).toEqual([255, 0, 0, 255]);
    expect(pixel(grid, 2, 0)).toEqual([0, 0, 0, 0]);
  });

  it('are proposed between the ink and the paper', () => {
    const counts = histogram(picture('pppppppppp', 'pppp##pppp', 'pppppppppp'));
    const { black, white } = proposeLevels(counts);
    expect(black).toBe(0);
    expect(white).toBe(231);
    expect(counts.reduce((a, b) => a + b)).toBe(30);
  });
});

describe('uneven light', () => {
  it('is taken out of the paper, with the tint of it', () => {
    const grid = blankPixels(200, 200);
    for (let y = 0; y < 200; y += 1)
      for (let x = 0; x < 200; x += 1) grid.data.set([240 - x / 4, 230 - x / 4, 210 - x / 4, 255], (y * 200 + x) * 4);
    evenLight(grid);
    const all = Array.from({ length: 200 * 200 }, (_, n) => [...grid.data.slice(n * 4, n * 4 + 3)]).flat();
    expect(Math.max(...all) - Math.min(...all)).toBeLessThanOrEqual(7);
  });
});

describe('a solid colour on the sheet', () => {
  it('leaves no glow around it when the light is made even', () => {
    const grid = blankPixels(480, 480);
    for (let y = 0; y < 480; y += 1) {
      for (let x = 0; x < 480; x += 1) {
        const light = 1 - x / 2400;
        const ink = Math.hypot(x - 240, y - 240) < 90;
        grid.data.set(
          [(ink ? 176 : 240) * light, (ink ? 66 : 236) * light, (ink ? 46 : 226) * light, 255],
          (y * 480 + x) * 4,
        );
      }
    }
    evenLight(grid);
    const paper: number[] = [];
    for (let y = 0; y < 480; y += 1)
      for (let x = 0; x < 480; x += 1)
        if (Math.hypot(x - 240, y - 240) > 95) paper.push(...grid.data.slice((y * 480 + x) * 4, (y * 480 + x) * 4 + 3));
    expect(paper.reduce((a, b) => Math.max(a, b)) - paper.reduce((a, b) => Math.min(a, b))).toBeLessThanOrEqual(9);
  });
});

describe('taking the paper away', () => {
  it('goes everywhere, or only where it is reached from outside', () => {
    const ring = ['.......', '.#####.', '.#...#.', '.#...#.', '.#####.', '.......'];
    const everywhere = picture(...ring);
    removePaper(everywhere, { reach: 'everywhere', colour: null, tolerance: 20 }, 0);
    expect(shown(everywhere)).toEqual(['       ', ' ##### ', ' #   # ', ' #   # ', ' ##### ', '       ']);
    const outside = picture(...ring);
    removePaper(outside, { reach: 'outside', colour: null, tolerance: 20 }, 0);
    expect(shown(outside)).toEqual(['       ', ' ##### ', ' ##### ', ' ##### ', ' ##### ', '       ']);
    expect(pixel(outside, 3, 2)).toEqual([255, 255, 255, 255]);
  });

  it('does not slip in where a line is closed at corners alone', () => {
    const grid = picture('..#..', '.#.#.', '#...#', '.#.#.', '..#..');
    removePaper(grid, { reach: 'outside', colour: null, tolerance: 20 }, 0);
    expect(shown(grid)).toEqual(['  #  ', ' ### ', '#####', ' ### ', '  #  ']);
  });

  it('leaves ink alone at its own share in a mixed edge, so that no fringe shows', () => {
    const grid = picture('..o#', '..o#');
    removePaper(grid, { reach: 'everywhere', colour: null, tolerance: 20 }, 1);
    // Half ink on paper: black at (255 − 128) / 255.
    expect(pixel(grid, 2, 0)).toEqual([0, 0, 0, 127]);
    expect(pixel(grid, 3, 0)).toEqual([0, 0, 0, 255]);
    expect(pixel(grid, 1, 0)).toEqual([0, 0, 0, 0]);
  });

  it('leaves the white behind a thin line whole, however soft the edge', () => {
    const grid = picture('.......', '.#####.', '.#o.o#.', '.#...#.', '.#####.', '.......');
    removePaper(grid, { reach: 'outside', colour: null, tolerance: 20 }, 3);
    expect(alphas(grid).map((row) => row.join(' '))).toEqual([
      '0 0 0 0 0 0 0',
      '0 255 255 255 255 255 0',
      '0 255 255 255 255 255 0',
      '0 255 255 255 255 255 0',
      '0 255 255 255 255 255 0',
      '0 0 0 0 0 0 0',
    ]);
    expect(pixel(grid, 2, 2)).toEqual([128, 128, 128, 255]);
  });

  it('makes any mixture of any ink with the paper that very ink again', () => {
    const channel = fc.integer({ min: 0, max: 255 });
    fc.assert(
      fc.property(
        fc.tuple(channel, channel, channel),
        fc.tuple(channel, channel, channel),
        fc.double({ min: 0.4, max: 0.95, noNaN: true }),
        (ink, paper, share) => {
          fc.pre(Math.max(...ink.map((v, c) => Math.abs(v - (paper[c] as number)))) > 60);
          const grid = blankPixels(6, 1);
          const mixed = ink.map((v, c) => Math.round(v * share + (paper[c] as number) * (1 - share)));
          [paper, paper, paper, mixed, ink, ink].forEach((colour, x) => grid.data.set([...colour, 255], x * 4));
          removePaper(grid, { reach: 'everywhere', colour: null, tolerance: 10 }, 1);
          expect(pixel(grid, 3, 0).slice(0, 3)).toEqual(ink);
          expect(Math.abs((pixel(grid, 3, 0)[3] as number) - share * 255)).toBeLessThan(4);
        },
      ),
    );
  });

  it('finds the paper as the colour there is most of', () => {
    expect(paperColour(picture('pppp', 'pp##', 'rrpp'))).toBe('#f0e6d2');
    expect(paperColour(picture('  ', '  '))).toBeUndefined();
  });
});

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

describe('laying it straight', () => {
  it('turns by quarters without changing a pixel', () => {
    const grid = picture('#r', ' o', '.#');
    const once = rotateQuarters(grid, 1);
    expect([once.width, once.height]).toEqual([3, 2]);
    expect(pixel(once, 2, 0)).toEqual(pixel(grid, 0, 0));
    expect(pixel(once, 0, 1)).toEqual(pixel(grid, 1, 2));
    expect(rotateQuarters(rotateQuarters(once, 1), 2).data).toEqual(grid.data);
    expect(rotateQuarters(grid, 3).data).toEqual(rotateQuarters(rotateQuarters(grid, 2), 1).data);
  });

  it('turned by 90° by the free turn is the quarter turn', () => {
    const grid = picture('#r.', 'o.#');
    expect(rotatePixels(grid, 90).data).toEqual(rotateQuarters(grid, 1).data);
  });

  it('never tints an edge with what is see-through', () => {
    const grid = picture('    ', ' rr ', ' rr ', '    ');
    const { data } = rotatePixels(grid, 30);
    for (let i = 0; i < data.length; i += 4)
      if ((data[i + 3] as number) > 2) expect([data[i], data[i + 1], data[i + 2]]).toEqual([200, 0, 0]);
  });

  it('crops to whole pixels and refuses to crop to nothing', () => {
    expect(shown(cropPixels(picture('# #', ' # '), { left: 1, top: 0, right: 3, bottom: 2 }))).toEqual([' #', '# ']);
    expect(() => cropPixels(picture('##'), { left: 5, top: 5, right: 9, bottom: 9 })).toThrow(RangeError);
    expect(drawnBox(picture('   ', ' # ', '   '))).toEqual({ left: 1, top: 1, right: 2, bottom: 2 });
    expect(drawnBox(picture('  '))).toBeUndefined();
  });

  it('finds the tilt of ruled lines to a tenth of a degree', () => {
    fc.assert(
      fc.property(fc.double({ min: -8, max: 8, noNaN: true }), (tilt) => {
        const grid = blankPixels(500, 400);
        grid.data.fill(255);
        const slope = Math.tan((tilt * Math.PI) / 180);
        for (const y0 of [80, 200, 330]) {
          for (let x = 40; x < 460; x += 1) {
            for (let t = 0; t < 3; t += 1) {
              const y = Math.round(y0 + (x - 250) * slope) + t;
              if (y >= 0 && y < 400) grid.data.set([20, 20, 20], (y * 500 + x) * 4);
            }
          }
        }
        expect(Math.abs(findTilt(grid) + tilt)).toBeLessThan(0.12);
      }),
      { numRuns: 12 },
    );
  });

  it('lets a sheet without any line lie as it is', () => {
    const blank = blankPixels(100, 100);
    blank.data.fill(240);
    expect(findTilt(blank)).toBe(0);
    const disc = blankPixels(300, 300);
    disc.data.fill(255);
    for (let y = 0; y < 300; y += 1)
      for (let x = 0; x < 300; x += 1)
        if (Math.hypot(x - 150, y - 150) < 100) disc.data.set([0, 0, 0], (y * 300 + x) * 4);
    expect(Math.abs(findTilt(disc))).toBeLessThan(0.5);
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
    expect(shown(drawingPixels(sheet, cut, cut.drawings[3] as (typeof cut.drawings)[number]))).toEqual(['##', '##']);
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
    expect(shown(drawingPixels(sheet, joined, joined.drawings[0] as (typeof joined.drawings)[number]))).toEqual([
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
      .map((sheetDrawing) => drawingPixels(bar, cut, sheetDrawing))
      .reduce((sum, { data }) => sum + data.filter((v, i) => i % 4 === 3 && v > 0).length, 0);
    expect(places).toBe(20);
  });

  it('measures the gap as the crow flies', () => {
    fc.assert(
      fc.property(anyMask, ({ width, height, set }) => {
        const field = squaredDistances(set, width, height);
        for (let n = 0; n < set.length; n += 1) {
          let least = 1e20;
          for (let m = 0; m < set.length; m += 1)
            if (set[m])
              least = Math.min(
                least,
                ((n % width) - (m % width)) ** 2 + (Math.floor(n / width) - Math.floor(m / width)) ** 2,
              );
          expect(field[n]).toBe(least);
        }
      }),
    );
  });
});

describe('all steps together', () => {
  it('leave the picture as it came alone, and trim to what is there', () => {
    const sheet = picture('......', '..##..', '..##..', '......');
    const before = [...sheet.data];
    const clean = cleanScan(sheet, 1, {
      ...NO_STEPS,
      paper: { reach: 'outside', colour: null, tolerance: 20, soft: 0 },
      trim: true,
    });
    expect(shown(clean)).toEqual(['##', '##']);
    expect([...sheet.data]).toEqual(before);
  });
});

describe('tracing', () => {
  const two = blankPixels(60, 40);
  for (let y = 5; y < 35; y += 1)
    for (let x = 5; x < 55; x += 1) two.data.set(x < 30 ? [180, 60, 40, 255] : [30, 40, 80, 255], (y * 60 + x) * 4);

  it('finds the inks, and no more than there are', () => {
    expect(inksIn(two, 8).sort()).toEqual(['#1e2850', '#b43c28']);
    expect(inksIn(two, 1)).toHaveLength(1);
    expect(inksIn(blankPixels(4, 4), 3)).toEqual([]);
  });

  it('draws each ink where its pixels are', () => {
    const artwork = traceDrawing(two, 4, { inks: 2, smoothness: 0, detail: 1 });
    expect(artwork?.nodes).toHaveLength(2);
    expect(artwork?.view).toEqual({ x: 0, y: 0, width: 60, height: 40 });
    const red = artwork?.nodes.find(
      (node) => node.kind === 'path' && node.fill?.kind === 'ink' && node.fill.ink === '#b43c28',
    );
    const numbers = red?.kind === 'path' ? (red.path.match(/[\d.]+/g) ?? []).map(Number) : [];
    const [xs, ys] = [numbers.filter((_, i) => i % 2 === 0), numbers.filter((_, i) => i % 2 === 1)];
    expect([Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)].map(Math.round)).toEqual([
      5, 30, 5, 35,
    ]);
  });

  it('never takes the mixture of two inks at their edge for a third', () => {
    // Blue and white mix to a grey that is nearer to the third ink than to either.
    const grid = blankPixels(60, 60);
    for (let y = 2; y < 58; y += 1)
      for (let x = 2; x < 58; x += 1)
        grid.data.set(
          x < 20
            ? [20, 30, 80, 255]
            : x === 20
              ? [130, 135, 160, 255]
              : x < 40
                ? [250, 250, 250, 255]
                : [150, 140, 150, 255],
          (y * 60 + x) * 4,
        );
    const grey = traceDrawing(grid, 4, { inks: 3, smoothness: 0, detail: 1 })?.nodes.find(
      (node) => node.kind === 'path' && node.fill?.kind === 'ink' && node.fill.ink === '#968c96',
    );
    const xs =
      grey?.kind === 'path' ? (grey.path.match(/[\d.]+/g) ?? []).map(Number).filter((_, i) => i % 2 === 0) : [];
    expect(Math.min(...xs)).toBeGreaterThan(38);
  });

  it('says nothing of an empty picture', () => {
    expect(traceDrawing(blankPixels(5, 5), 4, { inks: 3, smoothness: 0.5, detail: 0.5 })).toBeUndefined();
  });

  it('leaves white open where there is no ink for it, and never gives it to another', () => {
    const disc = blankPixels(60, 60);
    for (let y = 5; y < 55; y += 1)
      for (let x = 5; x < 55; x += 1)
        disc.data.set(Math.hypot(x - 30, y - 30) < 12 ? [252, 252, 250, 255] : [30, 40, 80, 255], (y * 60 + x) * 4);
    const [only, ...rest] = traceDrawing(disc, 4, { inks: 1, smoothness: 0, detail: 1 })?.nodes ?? [];
    expect(rest).toEqual([]);
    // The outline and the hole.
    expect(only?.kind === 'path' && only.path.match(/M/g)).toHaveLength(2);
    expect(
      traceDrawing(disc, 4, { inks: 2, smoothness: 0, detail: 1 })?.nodes.map(
        (node) => node.kind === 'path' && node.fill?.kind === 'ink' && node.fill.ink,
      ),
    ).toEqual(['#1e2850', '#fcfcfa']);
  });
});

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
        const [x, y] = [(n % width) + dx, Math.floor(n / width) + dy];
        const m = y * width + x;
        if (x < 0 || y < 0 || x >= width || y >= height || !set[m] || label[m] !== -1) continue;
        label[m] = start;
        stack.push(m);
      }
    }
  }
  return label;
}
