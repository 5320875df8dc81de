import { compose, type Point, rotationMatrix, scalingMatrix, transform } from '../geometry/index.ts';
import { latticeOf, latticeTranslate, type Repeat } from '../lattice/index.ts';
import type { RollMatch } from './rolls.ts';

/** A pattern as it is printed on rolls, its lengths in mm. */
export interface RollPrint {
  /** How far it goes up the roll until it is the same again. */
  readonly up: number;
  /** How far apart its columns are: those across the roll, each of which may stand higher or lower than the one before. */
  readonly across: number;
  /** How drops of a width meet, where a column stands as high as it has to; undefined where they do not. */
  match(rollWidth: number): RollMatch | undefined;
}

/** Lattice steps that are tried, each way, to find one that goes straight up. */
const STEPS = 40;
/** Columns within such a share of a roll's width count as there. */
const NEAR = 0.01;

/**
 * How a pattern lies on rolls, at so many times its size and turned by so many degrees.
 *
 * @returns undefined where it is turned so that it never repeats straight up the roll
 */
export function rollPrint(repeat: Repeat, scale: number, rotation: number): RollPrint | undefined {
  const lattice = latticeOf(repeat);
  const onto = compose(rotationMatrix(rotation), scalingMatrix(scale, scale));
  const vectors: Point[] = [];
  for (let i = -STEPS; i <= STEPS; i += 1)
    for (let j = -STEPS; j <= STEPS; j += 1)
      if (i !== 0 || j !== 0) vectors.push(transform(onto, latticeTranslate(lattice, { i, j })));
  const isUpright = ({ x, y }: Point): boolean => Math.abs(x) < 1e-9 * Math.abs(y);
  const up = Math.min(...vectors.filter((v) => v.y > 0 && isUpright(v)).map(({ y }) => y));
  if (!Number.isFinite(up)) return undefined;
  const column = vectors
    .filter((v) => !isUpright(v) && v.x > 0)
    .reduce<Point | undefined>((least, v) => (least && least.x <= v.x * (1 + 1e-9) ? least : v), undefined);
  if (!column) return undefined;
  return {
    up,
    across: column.x,
    match(rollWidth) {
      const columns = Math.round(rollWidth / column.x);
      if (columns < 1 || Math.abs(rollWidth - columns * column.x) > NEAR * rollWidth) return undefined;
      const lower = (((columns * column.y) / up) % 1) + 1;
      const share = lower % 1;
      if (Math.min(share, 1 - share) < 1e-6) return 'straight';
      return Math.abs(share - 0.5) < 1e-6 ? 'half-drop' : undefined;
    },
  };
}
