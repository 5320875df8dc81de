import { object, string, type InferType } from 'yup';
import { between, type Immutable } from '../schema/index.ts';

/** How the pattern of one drop meets that of the next: straight across, or half a repeat lower on every other drop. */
export const ROLL_MATCHES = ['straight', 'half-drop', 'free'] as const;
export type RollMatch = (typeof ROLL_MATCHES)[number];

/** The schema of a wall to be papered, and of the rolls that it is papered with, mm. */
export const wallSchema = object({
  width: between(300, 30_000),
  height: between(300, 10_000),
  rollWidth: between(100, 5000),
  rollLength: between(500, 200_000),
  match: string().oneOf(ROLL_MATCHES).required(),
}).noUnknown();
export type Wall = Immutable<InferType<typeof wallSchema>>;

/** A wall as it is to begin with, and the roll that is most usual. */
export const FIRST_WALL: Wall = { width: 3600, height: 2400, rollWidth: 530, rollLength: 10_050, match: 'straight' };

/** A wall, and how far the pattern repeats up it, mm. */
export interface Papering extends Wall {
  readonly repeat: number;
}

/** One drop of paper on the wall. */
export interface Drop {
  /** Which roll it is cut from, from 1. */
  readonly roll: number;
  /** mm of the wall from the left that it begins at, and how wide it is there; the last is cut to the wall. */
  readonly x: number;
  readonly width: number;
  /** How far down its roll it is cut from, mm. */
  readonly from: number;
  /** mm that are cut away above it, so that it matches the drop before. */
  readonly waste: number;
}

/** How a wall is papered. */
export interface RollPlan {
  readonly drops: readonly Drop[];
  readonly rolls: number;
  /** mm that are left of all rolls together, in one piece each. */
  readonly left: number;
  /** mm that are cut away between the drops. */
  readonly waste: number;
}

/** Drops that are worked out at the most. */
export const MOST_DROPS = 500;

/**
 * Plans the drops of a wall with the fewest rolls.
 *
 * The pattern on the roll repeats from its beginning. A drop may begin wherever the pattern stands as it did at the top of the
 * first drop; of a half-drop match every other drop begins half a repeat from there. Drops need not be hung in the order in
 * which they are cut, so the number of rolls is the least over all ways to cut them.
 *
 * @throws RangeError with a sentence where no drop fits on a roll, or there are too many
 */
export function planRolls({ width, height, rollWidth, rollLength, match, repeat }: Papering): RollPlan {
  const count = Math.ceil(width / rollWidth - 1e-9);
  if (count > MOST_DROPS)
    throw new RangeError(`That takes ${count} drops, and at most ${MOST_DROPS} are planned. Use a wider roll.`);
  const roll = new RollCuts(height, rollLength, match, repeat);
  const [odd, even] = match === 'half-drop' ? [Math.ceil(count / 2), Math.floor(count / 2)] : [count, 0];
  const rolls = fewestRolls(odd, even, roll.mostTogether(odd, even));
  if (!rolls) throw new RangeError('A roll is too short for one drop with its pattern in place. Use longer rolls.');
  let [left, waste] = [0, 0];
  const cut: Cut[][] = [[], []];
  rolls.forEach(([a, b], n) => {
    const cuts = roll.cuts(a, b);
    let used = 0;
    for (const { phase, from } of cuts) {
      cut[phase]?.push({ roll: n + 1, from, waste: from - used });
      waste += from - used;
      used = from + height;
    }
    left += rollLength - used;
  });
  const drops = Array.from({ length: count }, (_, n): Drop => {
    const [phase, nth] = match === 'half-drop' ? [n % 2, Math.floor(n / 2)] : [0, n];
    const x = n * rollWidth;
    return { ...(cut[phase]?.[nth] as Cut), x, width: Math.min(rollWidth, width - x) };
  });
  return { drops, rolls: rolls.length, left, waste };
}

type Cut = Pick<Drop, 'roll' | 'from' | 'waste'>;
type Phase = 0 | 1;

/** The last drop of so many, as high up the roll as it can be, and the phase of the one above it. */
interface Last {
  readonly from: number;
  readonly above: Phase | undefined;
}

/** The ways to cut one roll. */
class RollCuts {
  readonly #last = new Map<string, Last | undefined>();

  constructor(
    readonly height: number,
    readonly length: number,
    readonly match: RollMatch,
    readonly repeat: number,
  ) {}

  /** Pairs of drops in phase and out of phase that one roll gives, of each number of the first kind the most of the other. */
  mostTogether(mostIn: number, mostOut: number): [number, number][] {
    const pairs: [number, number][] = [];
    for (let a = 0; a <= mostIn; a += 1) {
      let b = 0;
      while (b < mostOut && this.#fits(a, b + 1)) b += 1;
      if (!this.#fits(a, b)) break;
      if (a + b > 0) pairs.push([a, b]);
    }
    return pairs;
  }

  /** So many drops of both kinds from the top of the roll down. */
  cuts(a: number, b: number): { readonly phase: Phase; readonly from: number }[] {
    const out: { phase: Phase; from: number }[] = [];
    let phase = this.#best(a, b);
    for (let [i, j] = [a, b]; phase !== undefined;) {
      const { from, above } = this.#lastOf(i, j, phase) as Last;
      out.unshift({ phase, from });
      [i, j] = phase === 0 ? [i - 1, j] : [i, j - 1];
      phase = above;
    }
    return out;
  }

  #fits(a: number, b: number): boolean {
    return a + b === 0 || this.#best(a, b) !== undefined;
  }

  /** Of which phase the last drop is, where the roll is cut so that it ends as high up as it can. */
  #best(a: number, b: number): Phase | undefined {
    const ends = ([0, 1] as const).flatMap((phase) => {
      const last = this.#lastOf(a, b, phase);
      return last && last.from + this.height <= this.length + 1e-9 ? [{ phase, from: last.from }] : [];
    });
    return ends.sort((p, q) => p.from - q.from)[0]?.phase;
  }

  #lastOf(a: number, b: number, phase: Phase): Last | undefined {
    const key = `${a} ${b} ${phase}`;
    if (!this.#last.has(key)) this.#last.set(key, this.#findLast(a, b, phase));
    return this.#last.get(key);
  }

  #findLast(a: number, b: number, phase: Phase): Last | undefined {
    const [i, j] = phase === 0 ? [a - 1, b] : [a, b - 1];
    if (i < 0 || j < 0) return undefined;
    if (i + j === 0) return { from: this.#startFrom(0, phase), above: undefined };
    const ways = ([0, 1] as const).flatMap((above) => {
      const last = this.#lastOf(i, j, above);
      return last ? [{ above, from: this.#startFrom(last.from + this.height, phase) }] : [];
    });
    return ways.sort((p, q) => p.from - q.from)[0];
  }

  /** The first place from `used` on where the pattern stands as it has to. */
  #startFrom(used: number, phase: Phase): number {
    if (this.match === 'free') return used;
    const shift = (phase * this.repeat) / 2;
    return shift + this.repeat * Math.max(0, Math.ceil((used - shift) / this.repeat - 1e-9));
  }
}

/** The fewest rolls that give so many drops of both kinds; undefined where none gives any. */
function fewestRolls(a: number, b: number, pairs: readonly [number, number][]): [number, number][] | undefined {
  const wide = b + 1;
  const fewest = new Uint16Array((a + 1) * wide).fill(0xffff);
  const last = new Int32Array(fewest.length).fill(-1);
  fewest[0] = 0;
  for (let i = 0; i <= a; i += 1)
    for (let j = 0; j <= b; j += 1) {
      const at = i * wide + j;
      pairs.forEach(([p, q], n) => {
        // Where fewer are needed than the roll gives, the rest of it is left.
        const before = Math.max(0, i - p) * wide + Math.max(0, j - q);
        if (before === at || (fewest[before] as number) + 1 >= (fewest[at] as number)) return;
        fewest[at] = (fewest[before] as number) + 1;
        last[at] = n;
      });
    }
  const rolls: [number, number][] = [];
  for (let [i, j] = [a, b]; i + j > 0;) {
    const pair = pairs[last[i * wide + j] as number];
    if (!pair) return undefined;
    const taken: [number, number] = [Math.min(i, pair[0]), Math.min(j, pair[1])];
    rolls.push(taken);
    [i, j] = [i - taken[0], j - taken[1]];
  }
  return rolls;
}
