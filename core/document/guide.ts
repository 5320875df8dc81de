import { array, object, string, type InferType } from 'yup';
import { applyOpToPoint, type Lattice } from '../lattice/index.ts';
import { coordinate, distinctById, idSchema, type Immutable } from '../schema/index.ts';
import { MOST_GUIDES, READ_BEYOND } from './limits.ts';

/** A line of the designer's own to lay things along. It belongs to the cell and is there again in each. */
export const guideSchema = object({
  id: idSchema,
  /** The axis whose coordinate it fixes: a guide across `x` is upright. */
  axis: string().oneOf(['x', 'y']).required(),
  /** mm from the cell's left or upper edge. */
  at: coordinate.required(),
})
  .noUnknown()
  .required();

export type Guide = Immutable<InferType<typeof guideSchema>>;

export const guidesSchema = distinctById(
  array(guideSchema)
    .required()
    .max(READ_BEYOND * MOST_GUIDES),
  'guides',
);

/** A line of the plane that runs along an axis. */
export type GuideLine = Pick<Guide, 'axis' | 'at'>;

/**
 * Where a guide lies in what the lattice repeats, through every operation of its step: lines within the domain, mm, by
 * axis and place. A quarter turn makes an upright guide a level one; where an operation lays one aslant, there is none.
 */
export function guideLines({ axis, at }: GuideLine, { ops, domain }: Pick<Lattice, 'ops' | 'domain'>): GuideLine[] {
  const lines = ops.flatMap((op): GuideLine | [] => {
    if (op.rotation % 90 !== 0) return [];
    const seen = op.rotation % 180 === 0 ? axis : axis === 'x' ? 'y' : 'x';
    const size = seen === 'x' ? domain.width : domain.height;
    const place = applyOpToPoint(op, { x: at, y: at })[seen];
    return { axis: seen, at: place - Math.floor(place / size) * size };
  });
  return lines
    .filter((line, n) => lines.findIndex((other) => other.axis === line.axis && other.at === line.at) === n)
    .sort((a, b) => Number(a.axis !== axis) - Number(b.axis !== axis) || a.at - b.at);
}
