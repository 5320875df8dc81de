import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  applyOpToPoint,
  mirroredStep,
  pixelGrid,
  proportionOf,
  SQUARE,
  step,
  symmetryOpsOf,
  toFundamentalDomain,
} from '../lattice/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';
import { MIRRORED_STEPS, ROTATED_STEPS } from '../testing/arbitraries.ts';
import { texture } from '../testing/textures.ts';
import { LiveTile } from './liveTile.ts';
import { makeTile, tileRepeat } from './makeTile.ts';
import { pixelAt } from './pixelCell.ts';

const PICTURE = texture(0, 120, 100);
/** A picture whose colours say where they are. */
const NUMBERED = blankPixels(120, 100);
for (let n = 0; n < 12_000; n += 1) NUMBERED.data.set([n % 120, Math.floor(n / 120), 77, 255], 4 * n);
const pixel = ({ width, data }: PixelImage, x: number, y: number): number[] => [
  ...data.subarray(4 * (y * width + x), 4 * (y * width + x) + 4),
];

describe('laid by what a step does to its cells', () => {
  it('is the same seen by any operation: to the bit by quarter turns and mirrors, nearly by sixths', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MIRRORED_STEPS, ...ROTATED_STEPS),
        fc.integer({ min: 12, max: 30 }),
        fc.integer({ min: 12, max: 30 }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        (next, width, other, rotation) => {
          const height = width * (proportionOf(next) ?? other / width);
          const frame = { x: 60, y: 50, width, height, rotation };
          const { pixels, cell } = makeTile(PICTURE, { frame, width: 50, way: { kind: 'laid', step: next } });
          const grid = pixelGrid({ width, height, step: next }, 1);
          const own = { width: width * grid.scaleX, height: height * grid.scaleY, step: next };
          let [apart, count] = [0, 0];
          for (const op of symmetryOpsOf(own)) {
            for (let y = 0; y < cell.height; y += 1) {
              for (let x = 0; x < cell.width; x += 1) {
                const there = toFundamentalDomain(grid.lattice, applyOpToPoint(op, { x: x + 0.5, y: y + 0.5 }));
                const seen = pixel(pixels, Math.floor(there.x), Math.floor(there.y));
                const here = pixel(pixels, x, y);
                const most = Math.max(...here.map((level, c) => Math.abs(level - (seen[c] as number))));
                // Cubic weights of mirrored places are the same numbers in another order.
                if (op.rotation % 90 === 0 && proportionOf(next) === undefined) expect(most).toBeLessThanOrEqual(1);
                apart += most;
                count += 1;
              }
            }
          }
          expect(apart / count).toBeLessThan(12);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('takes the pixels of the picture themselves where the frame lies on them', () => {
    const frame = { x: 50, y: 40, width: 40, height: 30, rotation: 0 };
    const wish = { frame, width: 80, way: { kind: 'laid', step: mirroredStep(SQUARE, 'both') } } as const;
    const { pixels } = makeTile(PICTURE, wish);
    expect([pixels.width, pixels.height]).toEqual([80, 60]);
    expect(tileRepeat(wish)).toEqual({ width: 160, height: 120, step: SQUARE });
    for (const [x, y] of [
      [0, 0],
      [39, 29],
      [17, 5],
    ] as const) {
      const wanted = pixel(PICTURE, 30 + x, 25 + y);
      for (const [u, v] of [
        [x, y],
        [79 - x, y],
        [x, 59 - y],
        [79 - x, 59 - y],
      ] as const)
        expect(pixel(pixels, u, v)).toEqual(wanted);
    }
  });
});

describe('a frame that leans', () => {
  it('reads the picture along its sides', () => {
    const frame = { x: 60, y: 50, width: 40, height: 30, rotation: 0, shear: 20 };
    const { pixels } = makeTile(NUMBERED, { frame, width: 50, way: { kind: 'laid', step: SQUARE } });
    for (let y = 0; y < 30; y += 1)
      for (let x = 0; x < 40; x += 1) {
        const [across, down] = pixel(pixels, x, y) as [number, number];
        const wanted = 40 + x + (y - 14.5) * Math.tan((20 * Math.PI) / 180);
        expect(Math.abs(across - wanted)).toBeLessThanOrEqual(0.51);
        expect(down).toBe(35 + y);
      }
  });
});

describe('laid while the frame is in the hand', () => {
  it('is nearly what it will be, in every step', () => {
    const live = new LiveTile();
    fc.assert(
      fc.property(
        fc.constantFrom(...MIRRORED_STEPS, ...ROTATED_STEPS),
        fc.integer({ min: 20, max: 40 }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: -20, max: 20, noNaN: true }),
        (next, width, rotation, shear) => {
          const frame = { x: 60, y: 50, width, height: width * (proportionOf(next) ?? 0.8), rotation, shear };
          const wish = { frame, width: 50, way: { kind: 'laid', step: next } } as const;
          const [quick, exact] = [makeTile(NUMBERED, wish, { lay: live.lay }), makeTile(NUMBERED, wish)];
          expect(quick.cell).toEqual(exact.cell);
          let sum = 0;
          for (let n = 0; n < exact.pixels.data.length; n += 1)
            sum += Math.abs((exact.pixels.data[n] as number) - (quick.pixels.data[n] as number));
          expect(sum / exact.pixels.data.length).toBeLessThan(1);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('turned inside out', () => {
  it('has outer edges that lie beside each other in the picture, in any step', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(SQUARE, step('half-drop'), step('half-drop', 1, 3), step('brick'), step('brick', 2, 5)),
        (next) => {
          const frame = { x: 60, y: 50, width: 60, height: 60, rotation: 0 };
          const { pixels, cell } = makeTile(NUMBERED, { frame, width: 50, way: { kind: 'halves', step: next } });
          let beside = 0;
          for (let n = 0; n < 60; n += 1)
            for (const [x, y, dx, dy] of [
              [59, n, 1, 0],
              [n, 59, 0, 1],
            ] as const) {
              const [here, there] = [pixelAt(cell, x, y), pixelAt(cell, x + dx, y + dy)].map((at) =>
                pixels.data.subarray(4 * at, 4 * at + 2),
              ) as [Uint8ClampedArray, Uint8ClampedArray];
              if (
                (there[0] as number) - (here[0] as number) === dx &&
                (there[1] as number) - (here[1] as number) === dy
              )
                beside += 1;
            }
          // Every pair but those where the edge of the picture itself crosses the edge of the cell.
          expect(beside).toBeGreaterThanOrEqual(120 - 2);
        },
      ),
    );
  });
});
