import { object } from 'yup';
import {
  applyOpToPoint,
  applyOpToPose,
  hasSameSymmetry,
  isInCell,
  type Lattice,
  latticeOf,
  repeatSchema,
  toFundamentalDomain,
} from '../../lattice/index.ts';
import type { Design } from '../design.ts';
import type { Placement } from '../placement.ts';
import type { changeSchema } from './change.ts';
import { type CommandKind, type CommandOf, typeField } from './commandKind.ts';

const repeatCommandSchema = object({ type: typeField('repeat'), repeat: repeatSchema })
  .noUnknown()
  .required();

type RepeatCommand = CommandOf<{ schema: typeof repeatCommandSchema }>;
type Back = RepeatCommand | { type: 'all'; commands: (RepeatCommand | CommandOf<{ schema: typeof changeSchema }>)[] };

/** Gives the design another cell or step; placements are brought into the new fundamental domain. */
export const repeat: CommandKind<typeof repeatCommandSchema, Back> = {
  schema: repeatCommandSchema,
  apply(design, { repeat }) {
    return { ...design, repeat, placements: broughtInto(design, repeat) };
  },
  invert(design, { repeat }) {
    const back: RepeatCommand = { type: 'repeat', repeat: design.repeat };
    // What stayed where it was may still be brought elsewhere on the way back, so the way back is tried.
    const after = { ...design, repeat, placements: broughtInto(design, repeat) };
    const restored = broughtInto(after, design.repeat);
    const moved = design.placements.filter((placement, index) => placement !== restored[index]);
    if (moved.length === 0) return back;
    const changes = Object.fromEntries(
      moved.map(({ id, x, y, rotation, skew, flipped }) => [id, { x, y, rotation, skew, flipped }]),
    );
    return { type: 'all', commands: [back, { type: 'change', changes }] };
  },
  writes: () => ['repeat'],
  describe: () => 'changed the repeat',
};

function broughtInto(design: Design, repeat: RepeatCommand['repeat']): readonly Placement[] {
  const lattice = latticeOf(repeat);
  // Cells that lose an operation no longer leave their motifs to the cell that it showed.
  const before = hasSameSymmetry(design.repeat.step, repeat.step) ? undefined : latticeOf(design.repeat);
  return design.placements.map((placement) => {
    const own = before ? inOwnCell(before, placement) : placement;
    const at = toFundamentalDomain(lattice, { x: own.x, y: own.y });
    return at.x === own.x && at.y === own.y ? own : { ...own, ...at };
  });
}

/** That one of a placement's instances by the operations whose place lies in the cell itself; the placement where it does. */
function inOwnCell(lattice: Lattice, placement: Placement): Placement {
  for (const op of lattice.ops) {
    const at = toFundamentalDomain(lattice, applyOpToPoint(op, placement));
    if (isInCell(lattice.cell, at))
      return op === lattice.ops[0] ? placement : { ...applyOpToPose(op, placement), ...at };
  }
  return placement;
}
