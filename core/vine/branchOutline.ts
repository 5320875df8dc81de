import { type Point, rotationMatrix, transform } from '../geometry/index.ts';
import { type PathText, Pen } from '../motif/index.ts';
import type { VineBranch } from '../recipe/index.ts';
import { directionOf, type VineCurve } from './vineCurve.ts';

/** Points along a branch; it turns by no more than twice round, so that they lie close enough. */
const POINTS = 64;
/** How much of its width a branch keeps at its end. */
const TIP = 0.12;

/** The middle line of a branch, and how wide it is: it turns ever more tightly towards its end, and tapers. mm. */
export function branchLine(curve: VineCurve, branch: VineBranch): { at: Point; along: Point; width: number }[] {
  const place = curve.place(curve.parameterAt(branch.at * curve.length));
  const side = branch.side === 'left' ? -1 : 1;
  const start = directionOf(place);
  const width = place.width * branch.width;
  const step = branch.length / POINTS;
  const line: { at: Point; along: Point; width: number }[] = [];
  let at = place.at;
  for (let n = 0; n <= POINTS; n += 1) {
    const share = n / POINTS;
    const turn = side * (branch.angle - branch.curl * share * share);
    const along = transform(rotationMatrix(turn), start);
    line.push({ at, along, width: width * (1 - (1 - TIP) * share) });
    // The direction halfway to the next one, so that the line does not lag behind its turning.
    const next = transform(rotationMatrix(side * (branch.angle - branch.curl * (share + 0.5 / POINTS) ** 2)), start);
    at = { x: at.x + next.x * step, y: at.y + next.y * step };
  }
  return line;
}

/** A branch as a closed path, round at its end; its beginning lies within the vine. */
export function branchOutline(curve: VineCurve, branch: VineBranch): PathText {
  const line = branchLine(curve, branch);
  const beside = (side: 1 | -1): Point[] =>
    line.map(({ at, along, width }) => ({
      x: at.x + (side * along.y * width) / 2,
      y: at.y - (side * along.x * width) / 2,
    }));
  const tip = line.at(-1) as (typeof line)[number];
  const radius = tip.width / 2;
  const round = Array.from({ length: 7 }, (_, n) => {
    const { x, y } = transform(rotationMatrix(-90 + ((n + 1) * 180) / 8), tip.along);
    return { x: tip.at.x + radius * x, y: tip.at.y + radius * y };
  });
  return new Pen().loop([...beside(1), ...round, ...beside(-1).reverse()], 1).toString();
}
