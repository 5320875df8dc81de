import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pixelGrid, type Step, SQUARE, step } from '../lattice/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';
import { texture, TEXTURE_COUNT } from '../testing/textures.ts';
import { evenOut } from './evenOut.ts';
import { joinedCell, neighbourOf } from './joined.ts';
import { makeTile } from './makeTile.ts';
import { pixelCellOf } from './pixelCell.ts';
import { TileError } from './tileError.ts';

const STEPS: readonly Step[] = [SQUARE, step('half-drop'), step('brick'), step('half-drop', 1, 3)];
const frameOf = ({ width, height }: PixelImage) => ({ x: width / 2, y: height / 2, width, height, rotation: 0 });

/** How much the lightness varies in windows of five pixels about places, on the mean. */
function localVariance({ width, height, data }: PixelImage, places: readonly number[]): number {
  let all = 0;
  for (const place of places) {
    const [px, py] = [place % width, Math.floor(place / width)];
    let [sum, squares] = [0, 0];
    for (let dy = -2; dy <= 2; dy += 1) {
      for (let dx = -2; dx <= 2; dx += 1) {
        const x = Math.min(width - 3, Math.max(2, px)) + dx;
        const y = Math.min(height - 3, Math.max(2, py)) + dy;
        const level = data[4 * (y * width + x) + 1] as number;
        sum += level;
        squares += level * level;
      }
    }
    all += squares / 25 - (sum / 25) ** 2;
  }
  return all / places.length;
}

/** A picture blurred along places, five pixels wide. */
function blurredAlong({ width, height, data }: PixelImage, places: readonly number[]): PixelImage {
  const blurred = { width, height, data: data.slice() };
  for (const place of places)
    for (let dy = -2; dy <= 2; dy += 1)
      for (let dx = -2; dx <= 2; dx += 1) {
        const [x, y] = [((place % width) + dx + width) % width, (Math.floor(place / width) + dy + height) % height];
        for (let c = 0; c < 3; c += 1) {
          let sum = 0;
          for (let v = -2; v <= 2; v += 1)
            for (let u = -2; u <= 2; u += 1)
              sum += data[4 * (((y + v + height) % height) * width + ((x + u + width) % width)) + c] as number;
          blurred.data[4 * (y * width + x) + c] = sum / 25;
        }
      }
  return blurred;
}

describe('joined by itself', () => {
  it('shows no join in at least eleven of twelve textures, and no strip of blur along it in any', () => {
    const shown: string[] = [];
    // All of them in the soak; here one of each kind.
    const textures = process.env['HEVREL_SOAK'] ? [...Array(TEXTURE_COUNT).keys()] : [0, 7, 14, 21, 10, 5];
    for (const n of textures) {
      const picture = texture(n, 330, 270);
      const way = {
        kind: 'joined',
        step: STEPS[n % STEPS.length] as Step,
        overlap: 0.2,
        spread: true,
        even: true,
      } as const;
      const { pixels, cell, visibility } = makeTile(picture, { frame: frameOf(picture), width: 100, way });
      if (!visibility) throw new Error('nothing is said of the join');
      if (visibility.join > 1.1 * visibility.inside) shown.push(`${n}: ${visibility.join / visibility.inside}`);
      const even = evenOut(picture);
      const { source } = joinedCell(even, cell);
      const joins: number[] = [];
      for (let y = 0; y < cell.height; y += 1)
        for (let x = 0; x < cell.width; x += 1) {
          const here = y * cell.width + x;
          for (const down of [true, false]) {
            const next = neighbourOf(cell, x, y, down);
            if (source[next] !== (source[here] as number) + (down ? picture.width : 1)) joins.push(here, next);
          }
        }
      // Cuts go through calm places, so their own surroundings in the picture are what they are held against.
      const own = localVariance(
        even,
        joins.map((here) => source[here] as number),
      );
      expect(localVariance(pixels, joins) / own, `texture ${n}`).toBeGreaterThan(0.8);
      // Brush strokes and clouds are as smooth as the blur itself.
      if (![0, 2].includes(n % 6))
        expect(localVariance(blurredAlong(pixels, joins), joins) / own, `texture ${n}, blurred`).toBeLessThan(0.8);
    }
    expect(shown.length, shown.join(', ')).toBeLessThanOrEqual(Math.floor(textures.length / 12));
  });

  it('keeps the mean of every channel, and what is flat as it is', () => {
    const flat = blankPixels(80, 60);
    for (let at = 0; at < flat.data.length; at += 4) flat.data.set([90, 140, 33, 255], at);
    for (const step of STEPS) {
      const way = { kind: 'joined', step, overlap: 0.25, spread: true, even: true } as const;
      const { pixels, visibility } = makeTile(flat, { frame: frameOf(flat), width: 100, way });
      for (let at = 0; at < pixels.data.length; at += 4)
        expect([...pixels.data.subarray(at, at + 4)]).toEqual([90, 140, 33, 255]);
      expect(visibility).toEqual({ join: 0, inside: 0, median: 0 });
    }
  });

  it('says in a sentence where a frame is too small, or too large', () => {
    const way = { kind: 'joined', step: step('half-drop', 5, 12), overlap: 0.02, spread: true, even: false } as const;
    const picture = texture(0, 60, 50);
    for (const [width, height] of [
      [1, 1],
      [20, 20],
      [3, 40],
    ] as const)
      expect(() => makeTile(picture, { frame: { ...frameOf(picture), width, height }, width: 100, way })).toThrow(
        TileError,
      );
    expect(() =>
      makeTile(picture, { frame: { ...frameOf(picture), width: 9000, height: 9000 }, width: 100, way }),
    ).toThrow(/81 megapixels/);
  });
});

describe('pictures made to repeat', () => {
  it('closes a cell of pixels that are all the picture’s own', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 24, max: 60 }),
        fc.integer({ min: 24, max: 60 }),
        fc.constantFrom(...STEPS),
        fc.double({ min: 0.1, max: 0.45, noNaN: true }),
        (width, height, next, overlap) => {
          const picture = blankPixels(width, height);
          for (let n = 0; n < picture.data.length; n += 1) picture.data[n] = (n * 7919) % 256;
          const by = overlap * Math.min(width, height);
          const cell = pixelCellOf(pixelGrid({ width: width - by, height: height - by, step: next }, 1));
          if (
            width - cell.width < 2 ||
            height - cell.height < 2 ||
            2 * (width - cell.width) > width ||
            2 * (height - cell.height) > height
          )
            return;
          const { source } = joinedCell(evenOut(picture), cell);
          expect(source).toHaveLength(cell.width * cell.height);
          // Every pixel shows its own place, or that of the copy beside, above or both.
          source.forEach((from, here) => {
            const [x, y] = [here % cell.width, Math.floor(here / cell.width)];
            const [u, v] = [from % width, Math.floor(from / width)];
            const [i, j] = [Math.round((u - x) / cell.width), 0];
            const own = cell.stacked === 'columns' ? { x: x + i * cell.width, y: y + i * cell.drop } : { x, y };
            if (cell.stacked === 'columns') {
              expect(u).toBe(own.x);
              expect((((v - own.y) % cell.height) + cell.height) % cell.height).toBe(j);
            }
          });
        },
      ),
      { numRuns: 60 },
    );
  });
});
