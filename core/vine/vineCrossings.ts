import { boxAround, growBox, type Matrix, type Point, transform } from '../geometry/index.ts';
import { type PathText, transformPath } from '../motif/index.ts';
import { VineCurve, type VineLine } from './vineCurve.ts';
import { vineOutline } from './vineOutline.ts';

/** A vine that others may cross, and the maps from its own mm to those of the vine that is looked at, one for each instance near it. */
export interface CrossedVine {
  readonly line: VineLine;
  readonly seen: readonly Matrix[];
}

/** A place where a vine meets another one, or itself. */
export interface VineCrossing {
  /** Where along the vine, as a share of its length. */
  readonly at: number;
  /** In the vine's own mm. */
  readonly place: Point;
  /** Which of the others, by its number. */
  readonly other: number;
  /** What the vine leaves free where it goes under the other: a piece of that, as wide as it is and the gap on either side. */
  readonly free: PathText;
}

/** Pieces of a period that are tried against each other. */
const PIECES = 256;
/** Crossings at the end of a piece are found on both, by rounding or not, and counted once: shares of a piece, and of the vine. */
const [ROUNDING, SAME] = [1e-6, 1e-7];
/** Where no ground is to be seen the free place is narrower by this, mm, so that both cover the pixels at its edge. */
const LAP = 0.1;
/** Vines that run along each other more nearly than this, as a sine, are freed no farther. */
const FLATTEST = 0.2;

/**
 * Where one period of a vine is crossed, in the order along it. The vine itself may be among the others, by its own line: where it meets
 * itself there are two crossings, one on either of its strands.
 *
 * @param gap how much of the ground is seen beside what goes over, mm
 */
export function vineCrossings(line: VineLine, others: readonly CrossedVine[], gap: number): VineCrossing[] {
  const curve = new VineCurve(line);
  const own = placesOf(curve);
  return others
    .flatMap((each, other) => {
      const crossing = new VineCurve(each.line);
      const theirs = placesOf(crossing);
      const margin = gap > 0 ? gap : -LAP;
      const freed = new VineCurve({
        ...each.line,
        knots: each.line.knots.map((knot) => ({ ...knot, width: Math.max(knot.width / 2, knot.width + 2 * margin) })),
      });
      const isSelf = each.line === line;
      return each.seen.flatMap((matrix) => {
        const there = theirs.map((point) => transform(matrix, point));
        return meetings(own, there, isSelf).map(({ s, t, sine }): VineCrossing => {
          const [here, over] = [(s / PIECES) * curve.span, (t / PIECES) * crossing.span];
          const place = curve.place(here);
          // Far enough along the other for all that the vine covers there.
          const reach = (place.width + crossing.place(over).width) / Math.max(FLATTEST, sine) / 2 + gap + 1;
          const half = Math.min(0.45, reach / crossing.length) * crossing.span;
          return {
            at: curve.lengthAt(here) / curve.length,
            place: place.at,
            other,
            free: transformPath(vineOutline(freed, over - half, over + half), matrix),
          };
        });
      });
    })
    .sort((a, b) => a.at - b.at)
    .filter(({ at }, n, all) => n === 0 || at - (all[n - 1] as VineCrossing).at > SAME)
    .filter(({ at }, n, all) => n === 0 || n + 1 < all.length || at - (all[0] as VineCrossing).at < 1 - SAME);
}

function placesOf(curve: VineCurve): Point[] {
  return Array.from({ length: PIECES + 1 }, (_, n) => curve.place((n / PIECES) * curve.span).at);
}

/** Where two lines cross: how far along each, in pieces, and the sine of the angle between them. */
function meetings(
  own: readonly Point[],
  there: readonly Point[],
  isSelf: boolean,
): { readonly s: number; readonly t: number; readonly sine: number }[] {
  const found: { readonly s: number; readonly t: number; readonly sine: number }[] = [];
  for (let i = 0; i + 1 < own.length; i += 1) {
    const [p, q] = [own[i] as Point, own[i + 1] as Point];
    const { left, top, right, bottom } = growBox(boxAround([p, q]), ROUNDING);
    for (let j = 0; j + 1 < there.length; j += 1) {
      const [r, u] = [there[j] as Point, there[j + 1] as Point];
      if ((r.x < left && u.x < left) || (r.x > right && u.x > right)) continue;
      if ((r.y < top && u.y < top) || (r.y > bottom && u.y > bottom)) continue;
      const [ax, ay, bx, by] = [q.x - p.x, q.y - p.y, u.x - r.x, u.y - r.y];
      const cross = ax * by - ay * bx;
      const lengths = Math.hypot(ax, ay) * Math.hypot(bx, by);
      // A line on itself, or on its continuation, runs along and crosses nowhere.
      if (Math.abs(cross) <= 1e-9 * lengths) continue;
      if (isSelf && isSameStrand(p, q, r, u)) continue;
      const s = ((r.x - p.x) * by - (r.y - p.y) * bx) / cross;
      const t = ((r.x - p.x) * ay - (r.y - p.y) * ax) / cross;
      if (s < -ROUNDING || s > 1 + ROUNDING || t < -ROUNDING || t > 1 + ROUNDING) continue;
      found.push({ s: i + s, t: j + t, sine: Math.abs(cross) / lengths });
    }
  }
  return found;
}

/** Whether two pieces follow each other: they share an end. */
function isSameStrand(p: Point, q: Point, r: Point, u: Point): boolean {
  const isAt = (a: Point, b: Point): boolean => Math.abs(a.x - b.x) < 1e-6 && Math.abs(a.y - b.y) < 1e-6;
  return isAt(p, r) || isAt(p, u) || isAt(q, r) || isAt(q, u);
}
