import { type Placement, withSymmetry } from '../document/index.ts';
import { poseMatrix } from '../geometry/index.ts';
import type { Lattice } from '../lattice/index.ts';
import { type Clump, findClumps } from './clumps.ts';
import type { Coverage } from './coverage.ts';
import { findGaps, type Gap } from './gaps.ts';
import { findLanes, type Lane } from './lanes.ts';
import type { Outline } from './outline.ts';
import { measureQuarters, type Quarter } from './quarters.ts';

/** What the eye would catch on. */
export interface Findings {
  /** Pairs that touch or nearly do, the nearest first. */
  readonly pairs: readonly Gap[];
  readonly lanes: readonly (Lane & { readonly ids: readonly string[] })[];
  readonly clumps: readonly Clump[];
  readonly quarters: readonly Quarter[];
}

/** What is looked for. */
export interface CheckContext {
  /** Pairs nearer than this are told; those that lie over each other by more are meant to. mm */
  readonly near: number;
  /** Lanes at least so wide are told, mm. */
  readonly lane: number;
}

export const MOST_LANES = 6;
export const MOST_CLUMPS = 6;
export const MOST_PAIRS = 60;
/** Neighbours are looked for within this share of the even distance. */
const NEIGHBOURS = 0.8;
/** What lies nearer to a lane than this stands at its side, mm. */
const AT_SIDE = 2;

/**
 * Looks the cloth over.
 *
 * @param inkCount how many inks the coverage tells apart; @param inkOf the main ink of a motif
 */
export function findFindings(
  lattice: Lattice,
  placements: readonly Placement[],
  outlines: ReadonlyMap<string, Outline>,
  coverage: Coverage,
  inkCount: number,
  inkOf: (motif: string) => string | undefined,
  { near, lane }: CheckContext,
): Findings {
  const even = Math.sqrt(lattice.cell.area / Math.max(1, placements.length));
  const gaps = findGaps(lattice, placements, outlines, Math.max(near, NEIGHBOURS * even));
  return {
    pairs: gaps.filter(({ mm }) => mm > -near && mm <= near).slice(0, MOST_PAIRS),
    lanes: findLanes(coverage, lane, MOST_LANES).map((lane) => ({
      ...lane,
      ids: besideLane(lattice, placements, outlines, lane),
    })),
    clumps: findClumps(lattice, placements, inkOf, MOST_CLUMPS),
    quarters: measureQuarters(lattice, coverage, inkCount, placements, gaps),
  };
}

/** What stands at the sides of a lane. */
function besideLane(
  lattice: Lattice,
  placements: readonly Placement[],
  outlines: ReadonlyMap<string, Outline>,
  { angle, width, at, apart }: Lane,
): string[] {
  const [nx, ny] = [-Math.sin((angle * Math.PI) / 180), Math.cos((angle * Math.PI) / 180)];
  const middle = nx * at.x + ny * at.y;
  const beside = new Set<string>();
  for (const placement of withSymmetry(lattice, placements)) {
    const points = outlines.get(placement.motif)?.points;
    if (!points || beside.has(placement.id)) continue;
    const [a, b, c, d, e, f] = poseMatrix(placement);
    for (let n = 0; n < points.length; n += 2) {
      const [px, py] = [points[n] as number, points[n + 1] as number];
      const t = nx * (a * px + c * py + e) + ny * (b * px + d * py + f) - middle;
      if (Math.abs(t - Math.round(t / apart) * apart) > width / 2 + AT_SIDE) continue;
      beside.add(placement.id);
      break;
    }
  }
  return [...beside];
}
