import { compose, type Matrix, scalingMatrix } from '../geometry/index.ts';
import { type Dressing, ontoTile } from './dress.ts';
import { TO_LINEAR } from './linearLight.ts';
import { clothOntoPattern } from './patternMatrix.ts';
import type { Pyramid } from './pyramid.ts';
import { LIT, OPAQUE, type RoughLevel, RoughLevels, stepOfLight } from './roughLevels.ts';
import type { Stage } from './stage.ts';
import { pixelsAt, writePixel } from './stageLight.ts';
import type { StagePiece } from './stagePiece.ts';

/** What is kept of a piece for drawing it roughly: first the pixels that nothing else is seen in, then those that it shares. */
interface RoughPiece {
  readonly staged: StagePiece;
  /** Where each lies on the cloth, mm, and half the binary logarithm of the area that it covers, square mm. */
  readonly cloth: Float32Array;
  readonly sizes: Float32Array;
  /** What each shows, found anew for each frame. */
  readonly shown: Int32Array;
  /** Of those it has for itself: where they lie in the picture, and their steps of light. */
  readonly pixels: Uint32Array;
  readonly lights: Uint8Array;
  /** Of those it shares: their places among all that are shared, their light, and how much of each it covers. */
  readonly shared: Uint32Array;
  readonly sharedLights: Float32Array;
  readonly covers: Float32Array;
}

interface RoughStage {
  readonly pieces: readonly RoughPiece[];
  /** Where shared pixels lie in the picture, and what lies below and over each. */
  readonly shared: Uint32Array;
  readonly under: Float32Array;
  readonly over: Uint8ClampedArray;
}

/** Found once for each stage and each pattern: they stay while the hand moves. */
const stages = new WeakMap<Stage, RoughStage>();
const levelsOf = new WeakMap<Pyramid, RoughLevels>();

/**
 * Dresses a product coarsely, in a small part of the time, while the hand moves: each pixel shows the nearest pixel of the level whose
 * pixels are about as large.
 *
 * @param dressings by piece
 * @returns RGBA, sRGB, opaque, of the stage's size
 */
export function dressRoughly(stage: Stage, dressings: ReadonlyMap<string, Dressing>): Uint8ClampedArray<ArrayBuffer> {
  let rough = stages.get(stage);
  if (!rough) stages.set(stage, (rough = roughStage(stage)));
  const out = new Uint8ClampedArray(stage.still);
  const picture = new Int32Array(out.buffer);
  const lit = new Float32Array(rough.under);
  for (const piece of rough.pieces) {
    const dressing = dressings.get(piece.staged.piece.id);
    if (!dressing) continue;
    findShown(piece, dressing);
    layOwn(piece, picture);
    layShared(piece, lit);
  }
  const { shared, over } = rough;
  for (let n = 0; n < shared.length; n += 1) writePixel(lit, over, n, out, shared[n] as number);
  return out;
}

const WHITE: RoughLevel = { width: 1, height: 1, pixels: new Int32Array([-1]) };

/** A tile in whole numbers, so that what repeats is cut off by a mask. */
const TILE = 1 << 16;

/** Finds what each pixel of a piece shows; bare cloth is white. */
function findShown({ staged, cloth, sizes, shown }: RoughPiece, { pattern, fill }: Dressing): void {
  if (!pattern) {
    shown.fill(WHITE.pixels[0] as number);
    return;
  }
  let levels = levelsOf.get(pattern.levels);
  if (!levels) levelsOf.set(pattern.levels, (levels = new RoughLevels(pattern.levels)));
  const onto = ontoTile(pattern, clothOntoPattern(staged.piece, fill));
  const first = levels.at(0);
  const [a, b, c, d, e, f]: Matrix = compose(scalingMatrix(TILE / first.width, TILE / first.height), onto);
  // Pixels of the level are about as large as what is seen of the cloth.
  const grown = Math.log2(Math.abs(onto[0] * onto[3] - onto[1] * onto[2])) / 2 + 0.5;
  // A hot loop: what it reads is at hand, and all numbers that come out of it are whole.
  let level = -1;
  let { width, height, pixels } = WHITE;
  for (let n = 0; n < shown.length; n += 1) {
    const wished = ((sizes[n] as number) + grown) | 0;
    if (wished !== level) {
      level = wished;
      ({ width, height, pixels } = levels.at(wished));
    }
    const x = cloth[2 * n] as number;
    const y = cloth[2 * n + 1] as number;
    // What is left of whole tiles, as a share of one.
    const u = (a * x + c * y + e) & (TILE - 1);
    const v = (b * x + d * y + f) & (TILE - 1);
    shown[n] = pixels[Math.imul((v * height) >>> 16, width) + ((u * width) >>> 16)] as number;
  }
}

function layOwn({ pixels, lights, shown }: RoughPiece, picture: Int32Array): void {
  for (let n = 0; n < pixels.length; n += 1) {
    const colour = shown[n] as number;
    const light = (lights[n] as number) << 8;
    picture[pixels[n] as number] =
      OPAQUE |
      ((LIT[light | ((colour >>> 16) & 255)] as number) << 16) |
      ((LIT[light | ((colour >>> 8) & 255)] as number) << 8) |
      (LIT[light | (colour & 255)] as number);
  }
}

function layShared({ pixels, shown, shared, sharedLights, covers }: RoughPiece, lit: Float32Array): void {
  for (let n = 0; n < shared.length; n += 1) {
    const colour = shown[pixels.length + n] as number;
    const light = sharedLights[n] as number;
    const share = covers[n] as number;
    for (let c = 0; c < 3; c += 1) {
      const to = 3 * (shared[n] as number) + c;
      const below = lit[to] as number;
      lit[to] = below + ((TO_LINEAR[(colour >>> (8 * c)) & 255] as number) * light - below) * share;
    }
  }
}

/** A pixel that no single piece is seen in. */
const SHARED = -1;

function roughStage({ covered, under, over, light, pieces }: Stage): RoughStage {
  // The piece on top of each pixel, where it hides all else and nothing lies over it.
  const owner = new Int16Array(covered.length).fill(SHARED);
  pieces.forEach(({ at, cover }, number) =>
    at.forEach((place, n) => {
      owner[place] = cover[n] === 1 && over[place * 4 + 3] === 0 ? number : SHARED;
    }),
  );
  const shared = Uint32Array.from(owner.keys()).filter((place) => owner[place] === SHARED);
  const sharedUnder = new Float32Array(shared.length * 3);
  shared.forEach((place, n) => sharedUnder.set(under.subarray(place * 3, place * 3 + 3), n * 3));
  const rank = new Uint32Array(covered.length);
  shared.forEach((place, n) => (rank[place] = n));
  return {
    pieces: pieces.map((staged, number) => {
      const all = Uint32Array.from(staged.at.keys());
      const own = all.filter((n) => owner[staged.at[n] as number] === number);
      const others = all.filter((n) => owner[staged.at[n] as number] === SHARED);
      const seen = [...own, ...others];
      const placeOf = (n: number): number => staged.at[n] as number;
      return {
        staged,
        cloth: Float32Array.from(
          seen.flatMap((n) => [staged.cloth[n * 6] as number, staged.cloth[n * 6 + 1] as number]),
        ),
        sizes: Float32Array.from(seen, (n) => sizeOf(staged, n)),
        shown: new Int32Array(seen.length),
        pixels: Uint32Array.from(own, (n) => covered[placeOf(n)] as number),
        lights: Uint8Array.from(own, (n) => stepOfLight(light[placeOf(n)] as number)),
        shared: Uint32Array.from(others, (n) => rank[placeOf(n)] as number),
        sharedLights: Float32Array.from(others, (n) => light[placeOf(n)] as number),
        covers: Float32Array.from(others, (n) => staged.cover[n] as number),
      };
    }),
    shared: shared.map((place) => covered[place] as number),
    under: sharedUnder,
    over: pixelsAt(over, shared),
  };
}

/** Half the binary logarithm of the area of cloth that a pixel of a piece covers, square mm. */
function sizeOf({ cloth }: StagePiece, n: number): number {
  const o = n * 6;
  const [ux, vx] = [cloth[o + 2] as number, cloth[o + 3] as number];
  const [uy, vy] = [cloth[o + 4] as number, cloth[o + 5] as number];
  return Math.log2(Math.max(1e-12, Math.abs(ux * vy - vx * uy))) / 2;
}
