import { UPRIGHT } from '../geometry/index.ts';
import { type Lattice, toFundamentalDomain } from '../lattice/index.ts';
import { seeded } from '../random/index.ts';
import { isAllowed, type Role, ROLES, rotationFor, type TossEntry, type TossRecipe } from '../recipe/index.ts';
import { type Circle, type CircleCover, poseCircles } from './circleCover.ts';
import { ClearanceField } from './clearanceField.ts';
import { centredOn, isClearOfItself, roundOf, spareOf } from './tossFit.ts';
import { type Even, evenDistances, type Lying, scoreOf } from './tossScore.ts';
import type { Tossable, TossedMotif } from './tossTypes.ts';

/** A motif that found no place. */
export interface Unplaced {
  readonly motif: string;
  readonly count: number;
  /** mm across the round that it needs at the least, and across the largest that was left. */
  readonly needs: number;
  readonly left: number;
}

/** What has been laid so far. */
export interface TossResult {
  /** Ids are not given yet: motif, place, turn and size. */
  readonly placed: readonly TossedMotif[];
  readonly unplaced: readonly Unplaced[];
  /** Share of the cell that is drawn on, with all that lay there before. */
  readonly covered: number;
}

/** What lies on the cloth already and stays. */
export interface Obstacles {
  readonly rounds: readonly Circle[];
  /** mm² that it covers. */
  readonly area: number;
  readonly places: readonly Lying[];
}

/** Thrown where nothing can come of a recipe; the message is a sentence. */
export class TossError extends Error {}

/** Tries at a place for one motif. */
const TRIES = 700;
/** Places that fit, of which the best is taken: for heroes, which are few and seen first, more are compared. */
const FITTING: Readonly<Record<Role, number>> = { hero: 60, companion: 14, filler: 14 };
/**
 * Scatters motifs over the cloth by a recipe, large first, then smaller into what is left, so that they lie closely and
 * evenly and keep the gap everywhere, instances included. Yields after each that is laid.
 *
 * Positions are taken where the largest round of a motif fits; of those at which all its rounds keep clear, the
 * one with the least room to spare is taken for companions, the one farthest from its like for heroes, and the middle of the
 * largest hole for fillers.
 *
 * @param standing rounds of what lies there already and stays, with the area it covers, mm²
 * @param from an earlier toss to start from: what of it still does as the recipe says stays, the rest is laid anew
 * @throws TossError where nothing could be laid at all by what the recipe says
 */
export function* toss(
  lattice: Lattice,
  recipe: TossRecipe,
  motifs: ReadonlyMap<string, Tossable>,
  standing: Obstacles,
  from: readonly TossedMotif[] = [],
): Generator<TossResult, TossResult> {
  const cell = lattice.cell.area;
  const queue = inOrder(recipe.entries, motifs);
  if (queue.length === 0)
    throw new TossError('There is nothing to toss. Add motifs and say how many of each. Nothing was changed.');
  const smallest = Math.min(...queue.map(({ entry, rounds }) => roundOf(rounds) * entry.smallest));
  if (2 * smallest + recipe.gap > Math.min(lattice.cell.width, lattice.cell.height)) {
    throw new TossError(
      'Even the smallest of these motifs is too large for the cell at this gap. Nothing was changed; make the cell larger, or the motifs or the gap smaller.',
    );
  }
  const largest = Math.max(...queue.map(({ entry, rounds }) => roundOf(rounds) * entry.largest));
  const openness = new ClearanceField(lattice, Math.max(1, recipe.gap) + largest + 4);
  openness.add(standing.rounds);
  const random = seeded(recipe.seed);
  const even = evenDistances(
    cell,
    [...queue.map(({ entry }) => entry.motif), ...standing.places.map(({ motif }) => motif)],
    motifs,
  );
  const lying: Lying[] = [...standing.places];
  const placed: TossedMotif[] = [];
  const unplaced = new Map<string, Unplaced>();
  let area = standing.area;

  const lay = (entry: TossEntry, rounds: CircleCover, tossed: TossedMotif): void => {
    openness.add(poseCircles(rounds, { ...UPRIGHT, ...tossed }));
    area += rounds.area * tossed.scale * tossed.scale;
    lying.push({ x: tossed.x, y: tossed.y, motif: entry.motif, role: entry.role });
    placed.push(tossed);
  };
  for (const tossed of from) {
    const at = queue.findIndex(({ entry }) => entry.motif === tossed.motif && fitsEntry(entry, recipe, tossed));
    const wanted = queue[at];
    if (
      !wanted ||
      spareOf(wanted.rounds, tossed, openness, recipe.gap) === undefined ||
      !isClearOfItself(lattice, wanted.rounds, tossed, recipe.gap)
    )
      continue;
    if (wanted.entry.role === 'filler' && area / cell >= 1 - recipe.ground) continue;
    queue.splice(at, 1);
    lay(wanted.entry, wanted.rounds, tossed);
  }

  for (const { entry, rounds } of queue) {
    if (entry.role === 'filler' && area / cell >= 1 - recipe.ground) break;
    if (unplaced.has(keyOf(entry))) {
      miss(entry, unplaced);
      continue;
    }
    const place = placeFor(entry, rounds, recipe, openness, lattice, lying, even, random);
    if ('needs' in place) {
      unplaced.set(keyOf(entry), { motif: entry.motif, count: 1, ...place });
      continue;
    }
    lay(entry, rounds, place);
    yield { placed: [...placed], unplaced: [...unplaced.values()], covered: area / cell };
  }
  return { placed, unplaced: [...unplaced.values()], covered: area / cell };
}

/** Whether a tossed motif keeps to the sizes of an entry and the recipe's directions. */
function fitsEntry(
  { smallest, largest }: TossEntry,
  { directions, flipped }: TossRecipe,
  tossed: TossedMotif,
): boolean {
  const isTurned = isAllowed(directions, tossed.rotation);
  return isTurned && (flipped || !tossed.flipped) && tossed.scale >= smallest - 1e-9 && tossed.scale <= largest + 1e-9;
}

function miss(entry: TossEntry, unplaced: Map<string, Unplaced>): void {
  const before = unplaced.get(keyOf(entry)) as Unplaced;
  unplaced.set(keyOf(entry), { ...before, count: before.count + 1 });
}

function keyOf({ motif, role }: TossEntry): string {
  return `${role} ${motif}`;
}

/** Roles large to small; within a role the larger first, each motif in its turn, so that none is left over. */
function inOrder(
  entries: readonly TossEntry[],
  motifs: ReadonlyMap<string, Tossable>,
): { entry: TossEntry; rounds: CircleCover }[] {
  return ROLES.flatMap((role) => {
    const own = entries
      .flatMap((entry) => {
        const rounds = entry.role === role && entry.count > 0 ? motifs.get(entry.motif)?.rounds : undefined;
        return rounds ? [{ entry, rounds }] : [];
      })
      .sort((a, b) => b.rounds.area * b.entry.largest ** 2 - a.rounds.area * a.entry.largest ** 2);
    const turns = Math.max(0, ...own.map(({ entry }) => entry.count));
    return Array.from({ length: turns }, (_, turn) => own.filter(({ entry }) => entry.count > turn)).flat();
  });
}

function placeFor(
  entry: TossEntry,
  rounds: CircleCover,
  recipe: TossRecipe,
  openness: ClearanceField,
  lattice: Lattice,
  lying: readonly Lying[],
  even: Even,
  random: () => number,
): TossedMotif | { needs: number; left: number } {
  const { gap } = recipe;
  const needed = roundOf(rounds) * entry.smallest + gap;
  let widest = -Infinity;
  const open: number[] = [];
  for (let place = 0; place < openness.field.length; place += 1) {
    const room = openness.field[place] as number;
    if (room > widest) widest = room;
    if (room >= needed) open.push(place);
  }
  const nothing = { needs: 2 * needed, left: Math.max(0, 2 * widest) };
  if (open.length === 0) return nothing;
  // Fillers go where the room is; the rest is left for what can use it.
  const roomy =
    entry.role === 'filler'
      ? open.filter((place) => (openness.field[place] as number) >= Math.max(needed, 0.75 * widest))
      : open;
  let best: TossedMotif | undefined;
  let least = Infinity;
  let fitting = 0;
  for (let n = 0; n < TRIES && fitting < FITTING[entry.role]; n += 1) {
    const from = n < TRIES / 2 ? roomy : open;
    const place = from[Math.floor(random() * from.length)] as number;
    const flipped = recipe.flipped && random() < 0.5;
    const rotation = rotationFor(recipe.directions, random());
    const wished = entry.smallest + (entry.largest - entry.smallest) * (entry.role === 'filler' ? 1 : random());
    // As large as its largest round has room for here, within its limits; later tries are more modest.
    const most = ((openness.field[place] as number) - gap) / roundOf(rounds);
    const scale = round(
      Math.max(
        entry.smallest,
        Math.min(
          wished,
          most,
          n < TRIES / 2 ? Infinity : entry.smallest + (wished - entry.smallest) * (2 - (2 * n) / TRIES),
        ),
      ),
    );
    const at = openness.middleOf(place);
    const laid = centredOn(at, rounds.circles[0] as Circle, { motif: entry.motif, rotation, scale, flipped });
    const spare = spareOf(rounds, laid, openness, gap);
    if (spare === undefined || !isClearOfItself(lattice, rounds, laid, gap)) continue;
    fitting += 1;
    const score = scoreOf(
      entry,
      laid,
      spare,
      lattice,
      lying,
      even,
      entry.largest > entry.smallest ? (scale - entry.smallest) / (entry.largest - entry.smallest) : 0,
    );
    if (score < least) [least, best] = [score, laid];
  }
  if (!best) return nothing;
  return { ...best, ...toFundamentalDomain(lattice, best) };
}

function round(value: number): number {
  return Math.round(value * 1e4) / 1e4;
}
