import type { Placement } from '../document/index.ts';
import { type Point, UPRIGHT } from '../geometry/index.ts';
import { applyOpToPose, type Lattice, orbitDistance, toFundamentalDomain, translatesWithin } from '../lattice/index.ts';
import { seeded } from '../random/index.ts';
import { isAllowed, type Role, ROLES, rotationFor, type TossEntry, type TossRecipe } from '../recipe/index.ts';
import { type Circle, type CircleCover, poseCircles } from './circleCover.ts';
import { ClearanceField } from './clearanceField.ts';

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

export type TossedMotif = Pick<Placement, 'motif' | 'x' | 'y' | 'rotation' | 'scale' | 'flipped'>;

/** A motif as it can be tossed. */
export interface Tossable {
  readonly rounds: CircleCover;
  /** The ink that most of it is printed in; those of one ink are spread. */
  readonly ink: string;
}

/** What lies on the cloth already and stays. */
export interface Obstacles {
  readonly rounds: readonly Circle[];
  /** mm² that it covers. */
  readonly area: number;
  readonly places: readonly Lying[];
}

/** A motif's place, as far as its like keep away from it. */
interface Lying extends Point {
  readonly motif: string;
  readonly role?: string;
}

/** Thrown where nothing can come of a recipe; the message is a sentence. */
export class TossError extends Error {}

/** Tries at a place for one motif. */
const TRIES = 700;
/** Places that fit, of which the best is taken: for heroes, which are few and seen first, more are compared. */
const FITTING: Readonly<Record<Role, number>> = { hero: 60, companion: 14, filler: 14 };
/** Equal motifs, and those of one main ink, are kept apart by these shares of the distance that they would have if they lay evenly. */
const APART = 0.8;
const INK_APART = 0.6;

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
  const cell = lattice.cell.width * lattice.cell.height;
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
  const lie: Lying[] = [...standing.places];
  const placed: TossedMotif[] = [];
  const unplaced = new Map<string, Unplaced>();
  let area = standing.area;

  const lay = (entry: TossEntry, rounds: CircleCover, tossed: TossedMotif): void => {
    openness.add(poseCircles(rounds, { ...UPRIGHT, ...tossed }));
    area += rounds.area * tossed.scale * tossed.scale;
    lie.push({ x: tossed.x, y: tossed.y, motif: entry.motif, role: entry.role });
    placed.push(tossed);
  };
  for (const one of from) {
    const at = queue.findIndex(({ entry }) => entry.motif === one.motif && isAsTold(entry, recipe, one));
    const told = queue[at];
    if (
      !told ||
      spareOf(told.rounds, one, openness, recipe.gap) === undefined ||
      !isClearOfItself(lattice, told.rounds, one, recipe.gap)
    )
      continue;
    if (told.entry.role === 'filler' && area / cell >= 1 - recipe.ground) continue;
    queue.splice(at, 1);
    lay(told.entry, told.rounds, one);
  }

  for (const { entry, rounds } of queue) {
    if (entry.role === 'filler' && area / cell >= 1 - recipe.ground) break;
    if (unplaced.has(keyOf(entry))) {
      miss(entry, unplaced);
      continue;
    }
    const found = placeFor(entry, rounds, recipe, openness, lattice, lie, even, random);
    if ('needs' in found) {
      unplaced.set(keyOf(entry), { motif: entry.motif, count: 1, ...found });
      continue;
    }
    lay(entry, rounds, found);
    yield { placed: [...placed], unplaced: [...unplaced.values()], covered: area / cell };
  }
  return { placed, unplaced: [...unplaced.values()], covered: area / cell };
}

/** Whether something lies as an entry and the directions say. */
function isAsTold({ smallest, largest }: TossEntry, { directions, flipped }: TossRecipe, tossed: TossedMotif): boolean {
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

/** The radius of the largest round, which has to find room before anything else. */
function roundOf(rounds: CircleCover): number {
  return rounds.circles[0]?.r ?? 0;
}

function placeFor(
  entry: TossEntry,
  rounds: CircleCover,
  recipe: TossRecipe,
  openness: ClearanceField,
  lattice: Lattice,
  lie: readonly Lying[],
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
      lie,
      even,
      entry.largest > entry.smallest ? (scale - entry.smallest) / (entry.largest - entry.smallest) : 0,
    );
    if (score < least) [least, best] = [score, laid];
  }
  if (!best) return nothing;
  return { ...best, ...toFundamentalDomain(lattice, best) };
}

/** How it lies so that its largest round is about a point. */
function centredOn(at: Point, { x, y }: Circle, how: Omit<TossedMotif, 'x' | 'y'>): TossedMotif {
  const [cos, sin] = turnsOf(how.rotation);
  const [px, py] = [(how.flipped ? -x : x) * how.scale, y * how.scale];
  return { ...how, x: at.x - (cos * px - sin * py), y: at.y - (sin * px + cos * py) };
}

/** The mean room that its rounds have over the gap, mm; undefined where one has not enough. */
function spareOf(
  { circles }: CircleCover,
  { x, y, rotation, scale, flipped }: TossedMotif,
  openness: ClearanceField,
  gap: number,
): number | undefined {
  const [cos, sin] = turnsOf(rotation);
  let sum = 0;
  for (const round of circles) {
    const [px, py] = [(flipped ? -round.x : round.x) * scale, round.y * scale];
    const spare = openness.atLeast(x + cos * px - sin * py, y + sin * px + cos * py) - round.r * scale - gap;
    if (spare < 0) return undefined;
    sum += spare;
  }
  return sum / circles.length;
}

/** Whether it keeps the gap to its own instances and reflections. */
function isClearOfItself(lattice: Lattice, rounds: CircleCover, laid: TossedMotif, gap: number): boolean {
  const {
    ops,
    shortBasis: [nearest],
  } = lattice;
  const far = 2 * rounds.reach * laid.scale + gap;
  if (ops.length === 1 && nearest.x * nearest.x + nearest.y * nearest.y >= far * far) return true;
  const pose = { ...UPRIGHT, ...laid };
  const own = poseCircles(rounds, pose);
  return ops.every((image) => {
    const other = applyOpToPose(image, pose);
    const isItself = image === ops[0];
    return translatesWithin(lattice, { x: other.x - laid.x, y: other.y - laid.y }, far).every(({ x, y }) => {
      if (isItself && x === 0 && y === 0) return true;
      const there = poseCircles(rounds, { ...other, x: laid.x + x, y: laid.y + y });
      return own.every((p) => there.every((q) => Math.hypot(p.x - q.x, p.y - q.y) >= p.r + q.r + gap));
    });
  });
}

/** How far apart things would lie if they lay evenly, mm: all of them, those of a motif, those of an ink. */
interface Even {
  readonly all: number;
  readonly inkOf: (motif: string) => string | undefined;
  readonly motif: (motif: string) => number;
  readonly ink: (motif: string) => number;
}

function evenDistances(cell: number, motifs: readonly string[], known: ReadonlyMap<string, Tossable>): Even {
  const count = (of: readonly (string | undefined)[]): Map<string | undefined, number> => {
    const counts = new Map<string | undefined, number>();
    for (const one of of) counts.set(one, (counts.get(one) ?? 0) + 1);
    return counts;
  };
  const inkOf = (motif: string): string | undefined => known.get(motif)?.ink;
  const [ofMotif, ofInk] = [count(motifs), count(motifs.map(inkOf))];
  const distance = (n: number | undefined): number => Math.sqrt(cell / (n ?? 1));
  return {
    all: distance(motifs.length),
    inkOf,
    motif: (motif) => distance(ofMotif.get(motif)),
    ink: (motif) => distance(ofInk.get(inkOf(motif))),
  };
}

/** The less the better. */
function scoreOf(
  { role, motif }: TossEntry,
  at: TossedMotif,
  spare: number,
  lattice: Lattice,
  lie: readonly Lying[],
  even: Even,
  size: number,
): number {
  let like = Infinity;
  let tone = Infinity;
  let hero = Infinity;
  const ink = even.inkOf(motif);
  for (const other of lie) {
    const equal = other.motif === motif;
    const peer = role === 'hero' && other.role === 'hero';
    const alike = ink !== undefined && even.inkOf(other.motif) === ink;
    if (!equal && !peer && !alike) continue;
    const distance = orbitDistance(lattice, at, other);
    if (equal && distance < like) like = distance;
    if (alike && distance < tone) tone = distance;
    if (peer && distance < hero) hero = distance;
  }
  const crowd =
    Math.max(0, 1 - like / (APART * even.motif(motif))) + 0.4 * Math.max(0, 1 - tone / (INK_APART * even.ink(motif)));
  if (role === 'hero') return 4 * crowd - Math.min(hero, 10 * even.all) / even.all + (0.02 * spare) / even.all;
  return 2.5 * crowd + spare / even.all - (role === 'filler' ? 1 : 0.5) * size;
}

/** Sine and cosine differ in their last digits from machine to machine; rounded they do not, and neither does the toss. */
function turnsOf(degrees: number): readonly [number, number] {
  const angle = (degrees * Math.PI) / 180;
  return [Math.round(Math.cos(angle) * 1e9) / 1e9, Math.round(Math.sin(angle) * 1e9) / 1e9];
}

function round(value: number): number {
  return Math.round(value * 1e4) / 1e4;
}
