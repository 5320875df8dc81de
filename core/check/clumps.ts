import type { Placement } from '../document/index.ts';
import type { Point } from '../geometry/index.ts';
import { applyOpToPoint, type Lattice, nearestDifference, orbitDistance } from '../lattice/index.ts';

/** Motifs of one kind, or of one main ink, that lie much nearer to each other than if they lay evenly. */
export interface Clump {
  readonly by: 'motif' | 'ink';
  /** The motif's id, or the artwork's colour. */
  readonly of: string;
  readonly ids: readonly string[];
  /** The round that holds their middles, mm on the plane. */
  readonly x: number;
  readonly y: number;
  readonly r: number;
  /** How many times nearer to each other they lie than evenly. */
  readonly nearer: number;
}

/** Shares of the even distance within which two belong together, and how many make a clump. */
const RULES = { motif: { share: 0.5, count: 3 }, ink: { share: 0.42, count: 4 } } as const;
/** Two of a kind alone are one where they lie as near as this. */
const PAIR_SHARE = 0.35;

/**
 * Where one motif or one ink gathers, the densest first. What is of a kind would lie, evenly, the root of its share of the cell apart;
 * those nearer than about half of that are linked, and what hangs together is a clump.
 *
 * @param inkOf the main ink of a motif
 */
export function findClumps(
  lattice: Lattice,
  placements: readonly Placement[],
  inkOf: (motif: string) => string | undefined,
  most: number,
): Clump[] {
  const cell = lattice.cell.area;
  const clumps: Clump[] = [];
  for (const by of ['motif', 'ink'] as const) {
    const { share, count } = RULES[by];
    for (const [of, list] of grouped(placements, ({ motif }) => (by === 'motif' ? motif : inkOf(motif)))) {
      if (list.length < count) continue;
      const even = Math.sqrt(cell / list.length);
      for (const group of linked(lattice, list, share * even)) {
        const isPair =
          by === 'motif' &&
          group.length === 2 &&
          orbitDistance(lattice, group[0] as Placement, group[1] as Placement) < PAIR_SHARE * even;
        if (group.length < count && !isPair) continue;
        const round = roundAbout(lattice, group);
        clumps.push({ by, of, ids: group.map(({ id }) => id), ...round, nearer: even / meanNearest(lattice, group) });
      }
    }
  }
  // An ink's clump that is a motif's as well is told once.
  const seen = new Set<string>();
  return clumps
    .sort((p, q) => q.nearer - p.nearer)
    .filter(({ ids }) => {
      const key = [...ids].sort().join(' ');
      return !seen.has(key) && seen.add(key);
    })
    .slice(0, most);
}

function grouped(
  placements: readonly Placement[],
  kindOf: (placement: Placement) => string | undefined,
): Map<string, Placement[]> {
  const groups = new Map<string, Placement[]>();
  for (const placement of placements) {
    const kind = kindOf(placement);
    if (kind === undefined || kind === '') continue;
    const group = groups.get(kind);
    if (group) group.push(placement);
    else groups.set(kind, [placement]);
  }
  return groups;
}

/** What hangs together by steps shorter than `far`, over joins. */
function linked(lattice: Lattice, list: readonly Placement[], far: number): Placement[][] {
  const left = new Set(list);
  const groups: Placement[][] = [];
  for (const start of list) {
    if (!left.delete(start)) continue;
    const group = [start];
    for (const placement of group) {
      for (const other of left) {
        if (orbitDistance(lattice, placement, other) >= far) continue;
        left.delete(other);
        group.push(other);
      }
    }
    if (group.length > 1) groups.push(group);
  }
  return groups;
}

function meanNearest(lattice: Lattice, group: readonly Placement[]): number {
  const nearest = group.map((placement) =>
    Math.min(...group.filter((other) => other !== placement).map((other) => orbitDistance(lattice, placement, other))),
  );
  return Math.max(0.1, nearest.reduce((sum, one) => sum + one, 0) / group.length);
}

/** A round about the middles of all, each taken at the instance nearest to the first. */
function roundAbout(lattice: Lattice, [first, ...rest]: readonly Placement[]): { x: number; y: number; r: number } {
  const home: Point = first ?? { x: 0, y: 0 };
  const points = [home, ...rest.map((placement) => nearestInstance(lattice, placement, home))];
  const x = points.reduce((sum, point) => sum + point.x, 0) / points.length;
  const y = points.reduce((sum, point) => sum + point.y, 0) / points.length;
  return { x, y, r: Math.max(...points.map((point) => Math.hypot(point.x - x, point.y - y))) };
}

/** The place of the instance of a point, reflections too, that lies nearest to another. */
function nearestInstance(lattice: Lattice, point: Point, to: Point): Point {
  let best: Point = point;
  let least = Infinity;
  for (const image of lattice.ops) {
    const by = nearestDifference(lattice, applyOpToPoint(image, point), to);
    const distance = Math.hypot(by.x, by.y);
    if (distance < least) [least, best] = [distance, { x: to.x + by.x, y: to.y + by.y }];
  }
  return best;
}
