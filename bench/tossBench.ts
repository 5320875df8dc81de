import { type Design } from '../core/document/index.ts';
import { squaredDistances, UPRIGHT } from '../core/geometry/index.ts';
import { indicesTouching, type Lattice, latticeOf, latticeTranslate, pixelGrid } from '../core/lattice/index.ts';
import { type Motif } from '../core/motif/index.ts';
import { paintPlane } from '../core/paint/index.ts';
import { seeded } from '../core/random/index.ts';
import type { TossRecipe } from '../core/recipe/index.ts';
import { ClearanceField, poseCircles, toss, type Tossable, type TossedMotif } from '../core/toss/index.ts';
import { designOf, PER_MM, SIDE } from './tossSetup.ts';
import { loadScene } from '../server/paint/loadScene.ts';
import { nodeSurface, pixelsOf } from '../server/paint/nodeBackend.ts';
import type { Blobs } from '../server/store/blobs.ts';

/** What a toss came to. */
export interface TossMeasure {
  readonly asked: number;
  readonly placed: number;
  readonly tookMs: number;
  /** Share of the cell that is painted. */
  readonly covered: number;
  /** Radius of the largest empty round, mm, from the painting. */
  readonly largestHole: number;
  /** mm between the two motifs that lie nearest, from the painting. */
  readonly leastGap: number;
  /** Spread of the painted share in a window of an eighth of the cell, over its mean. */
  readonly unevenness: number;
  /** Share of motifs whose nearest neighbour is of the same motif. */
  readonly equalNeighbours: number;
}

/** The toss as it ships. */
export function tossed(
  recipe: TossRecipe,
  shapes: ReadonlyMap<string, Tossable>,
): { laid: readonly TossedMotif[]; tookMs: number } {
  const began = performance.now();
  const tossing = toss(latticeOf(designOf([]).repeat), recipe, shapes, { rounds: [], area: 0, places: [] });
  for (;;) {
    const next = tossing.next();
    if (next.done) return { laid: next.value.placed, tookMs: performance.now() - began };
  }
}

/** Plain trying with the same silhouettes, sizes, order and time: a random place, angle and size, laid where it keeps the gap. */
export function tried(
  recipe: TossRecipe,
  shapes: ReadonlyMap<string, Tossable>,
  forMs: number,
): readonly TossedMotif[] {
  const lattice = latticeOf(designOf([]).repeat);
  const random = seeded(recipe.seed);
  const openness = new ClearanceField(
    lattice,
    recipe.gap + Math.max(...[...shapes.values()].map(({ rounds }) => rounds.circles[0]?.r ?? 0)),
  );
  const laid: TossedMotif[] = [];
  const until = performance.now() + forMs;
  let waiting = recipe.entries.flatMap((entry) => Array.from({ length: entry.count }, () => entry));
  // Round after round until the time is over, so that none waits behind one that never fits.
  while (waiting.length > 0 && performance.now() < until) {
    waiting = waiting.filter((entry) => {
      const shape = shapes.get(entry.motif);
      if (!shape) return false;
      const tossed: TossedMotif = {
        motif: entry.motif,
        x: random() * SIDE,
        y: random() * SIDE,
        rotation: random() * 360,
        scale: entry.smallest + random() * (entry.largest - entry.smallest),
        flipped: random() < 0.5,
      };
      const rounds = poseCircles(shape.rounds, { ...UPRIGHT, ...tossed });
      if (!rounds.every(({ x, y, r }) => openness.atLeast(x, y) >= r + recipe.gap)) return true;
      openness.add(rounds);
      laid.push(tossed);
      return false;
    });
  }
  return laid;
}

/** What can be seen of a toss, by painting it and measuring the picture. */
export async function measured(
  laid: readonly TossedMotif[],
  recipe: TossRecipe,
  tookMs: number,
  motifs: readonly Motif[],
  blobs: Blobs,
): Promise<TossMeasure> {
  const design = designOf(laid);
  const grid = pixelGrid(design.repeat, PER_MM);
  const { width, height } = grid.cell;
  const lattice = latticeOf(design.repeat);
  const { scene, backend } = await loadScene(design, motifs, blobs);
  const bare = { ...scene, ground: undefined };
  // The cell and so much around it that nothing across a join is missed.
  const around = 60 * PER_MM;
  const [w, h] = [width + 2 * around, height + 2 * around];
  const sheet = nodeSurface(w, h);
  paintPlane(
    sheet.context,
    { scene: bare, grid, window: { left: -around, top: -around, right: width + around, bottom: height + around } },
    backend,
  );
  const pixels = pixelsOf(sheet);
  const set = new Uint8Array(w * h);
  for (let i = 0; i < set.length; i += 1) set[i] = (pixels[i * 4 + 3] as number) >= 32 ? 1 : 0;
  const room = squaredDistances(set, w, h);
  let [painted, widest] = [0, 0];
  const window = Math.round(width / 8);
  const sums = new Map<number, number>();
  for (let y = around; y < around + height; y += 1) {
    for (let x = around; x < around + width; x += 1) {
      const at = y * w + x;
      widest = Math.max(widest, room[at] as number);
      if (set[at] !== 1) continue;
      painted += 1;
      const key = Math.floor((y - around) / window) * 1000 + Math.floor((x - around) / window);
      sums.set(key, (sums.get(key) ?? 0) + 1);
    }
  }
  const shares = Array.from(
    { length: 64 },
    (_, n) => (sums.get(Math.floor(n / 8) * 1000 + (n % 8)) ?? 0) / (window * window),
  );
  const mean = shares.reduce((a, b) => a + b, 0) / shares.length;
  const spread = Math.sqrt(shares.reduce((sum, share) => sum + (share - mean) ** 2, 0) / shares.length);
  return {
    asked: recipe.entries.reduce((sum, { count }) => sum + count, 0),
    placed: laid.length,
    tookMs,
    covered: painted / (width * height),
    largestHole: Math.sqrt(widest) / PER_MM,
    leastGap: leastGap(design, lattice, (only, box) => {
      const part = nodeSurface(box.right - box.left, box.bottom - box.top);
      paintPlane(part.context, { scene: bare, grid, window: box }, backend, { only: new Set(only) });
      return pixelsOf(part);
    }),
    unevenness: spread / mean,
    equalNeighbours: equalNeighbours(laid, lattice),
  };
}

/** Paints each motif and, in a picture of its own, all that lies around it; the least distance between the two. */
function leastGap(
  design: Design,
  lattice: Lattice,
  paint: (
    only: readonly string[],
    box: { left: number; top: number; right: number; bottom: number },
  ) => Uint8ClampedArray,
): number {
  let least = Infinity;
  const reach = 45;
  for (const placement of design.placements) {
    const box = {
      left: Math.floor((placement.x - reach) * PER_MM),
      top: Math.floor((placement.y - reach) * PER_MM),
      right: Math.ceil((placement.x + reach) * PER_MM),
      bottom: Math.ceil((placement.y + reach) * PER_MM),
    };
    const near = design.placements.filter(
      (other) =>
        other !== placement &&
        indicesTouching(
          lattice,
          { left: other.x - reach, top: other.y - reach, right: other.x + reach, bottom: other.y + reach },
          {
            left: placement.x - reach,
            top: placement.y - reach,
            right: placement.x + reach,
            bottom: placement.y + reach,
          },
        ).some((steps) => {
          const by = latticeTranslate(lattice, steps);
          return Math.hypot(other.x + by.x - placement.x, other.y + by.y - placement.y) < 2 * reach;
        }),
    );
    if (near.length === 0) continue;
    const [own, rest] = [
      paint([placement.id], box),
      paint(
        near.map(({ id }) => id),
        box,
      ),
    ];
    const [w, h] = [box.right - box.left, box.bottom - box.top];
    const set = new Uint8Array(w * h);
    for (let i = 0; i < set.length; i += 1) set[i] = (rest[i * 4 + 3] as number) >= 32 ? 1 : 0;
    const distance = squaredDistances(set, w, h);
    for (let i = 0; i < set.length; i += 1)
      if ((own[i * 4 + 3] as number) >= 32) least = Math.min(least, distance[i] as number);
  }
  return Math.sqrt(least) / PER_MM;
}

function equalNeighbours(laid: readonly TossedMotif[], lattice: Lattice): number {
  let equal = 0;
  laid.forEach((tossed, n) => {
    let [nearest, least] = ['', Infinity];
    laid.forEach((other, m) => {
      for (let i = -1; i <= 1; i += 1) {
        for (let j = -1; j <= 1; j += 1) {
          if (m === n && i === 0 && j === 0) continue;
          const by = latticeTranslate(lattice, { i, j });
          const distance = Math.hypot(other.x + by.x - tossed.x, other.y + by.y - tossed.y);
          if (distance < least) [nearest, least] = [other.motif, distance];
        }
      }
    });
    if (nearest === tossed.motif) equal += 1;
  });
  return equal / laid.length;
}
