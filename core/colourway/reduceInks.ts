import { colourDifference, type Hex } from '../colour/index.ts';

/** An ink with how much of the cloth it covers. */
export interface WeighedInk {
  readonly id: string;
  readonly colour: Hex;
  /** Any share of the tile; those that are seen nowhere have 0. */
  readonly area: number;
  readonly locked?: boolean;
}

/** One ink that another one would stand for. */
export interface InkMerge {
  readonly from: string;
  readonly into: string;
  /** CIEDE2000 between the two. */
  readonly difference: number;
}

/** What is seen nowhere weighs a little all the same, so that like goes to like. */
const LEAST_AREA = 1e-5;

/**
 * Proposes which inks others can stand for, so that no more than a number are left and the cloth changes least: the two
 * groups whose union costs least in area-weighted squares of CIEDE2000 become one, again and again (Ward, 1963). Each
 * group keeps the ink that covers most of it, a locked one before others; two locked inks are never merged.
 */
export function reduceInks(inks: readonly WeighedInk[], most: number): readonly InkMerge[] {
  type Group = { readonly keeper: WeighedInk; readonly area: number; readonly members: readonly WeighedInk[] };
  let groups: Group[] = inks.map((ink) => ({ keeper: ink, area: Math.max(LEAST_AREA, ink.area), members: [ink] }));
  const apart = rememberDifferences();
  const cost = (a: Group, b: Group): number =>
    a.keeper.locked && b.keeper.locked
      ? Infinity
      : ((a.area * b.area) / (a.area + b.area)) * apart(a.keeper.colour, b.keeper.colour) ** 2;
  while (groups.length > Math.max(1, most)) {
    let best: readonly [Group, Group] | undefined;
    let least = Infinity;
    for (const [n, a] of groups.entries())
      for (const b of groups.slice(n + 1)) {
        const costs = cost(a, b);
        if (costs < least) [least, best] = [costs, [a, b]];
      }
    if (!best) break;
    const [a, b] = best;
    const isFirst = a.keeper.locked === true || (b.keeper.locked !== true && a.area >= b.area);
    const union = {
      keeper: isFirst ? a.keeper : b.keeper,
      area: a.area + b.area,
      members: [...a.members, ...b.members],
    };
    groups = [...groups.filter((group) => group !== a && group !== b), union];
  }
  return groups.flatMap(({ keeper, members }) =>
    members
      .filter(({ id }) => id !== keeper.id)
      .map(({ id, colour }) => ({ from: id, into: keeper.id, difference: colourDifference(colour, keeper.colour) })),
  );
}

/** Differences of colours, each computed once: pairs are compared again after every union. */
function rememberDifferences(): (a: Hex, b: Hex) => number {
  const known = new Map<string, number>();
  return (a, b) => {
    const key = a < b ? a + b : b + a;
    let difference = known.get(key);
    if (difference === undefined) known.set(key, (difference = colourDifference(a, b)));
    return difference;
  };
}
