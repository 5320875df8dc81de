import { object } from 'yup';
import { latticeOf, toFundamentalDomain } from '../../lattice/index.ts';
import { recordOf } from '../../schema/index.ts';
import { type Placement, type PlacementChange, placementChangeSchema } from '../placement.ts';
import { type CommandKind, countMotifs, typeField } from './commandKind.ts';
import { requirePlacement, withChanged } from './placementIndex.ts';

export const changeSchema = object({
  type: typeField('change'),
  /** By the placement's id. */
  changes: recordOf(placementChangeSchema),
})
  .noUnknown()
  .required();

/** Changes placements where they lie in the stacking order. */
export const change: CommandKind<typeof changeSchema> = {
  schema: changeSchema,
  apply(design, { changes }) {
    const lattice = latticeOf(design.repeat);
    const changed = new Map<number, Placement>();
    for (const [id, fields] of Object.entries(changes)) {
      const n = requirePlacement(design, id);
      const placement: Placement = { ...(design.placements[n] as Placement), ...definedFields(fields) };
      changed.set(n, { ...placement, ...toFundamentalDomain(lattice, { x: placement.x, y: placement.y }) });
    }
    return { ...design, placements: withChanged(design.placements, changed) };
  },
  invert(design, { changes }) {
    const back = Object.entries(changes).map(([id, fields]) => {
      const before = design.placements[requirePlacement(design, id)] as Placement;
      // A new place may have been brought into the domain, so the old one is named whenever either coordinate changes.
      const keys = new Set(Object.keys(definedFields(fields)) as (keyof PlacementChange)[]);
      if (keys.has('x') || keys.has('y')) keys.add('x').add('y');
      return [id, Object.fromEntries([...keys].map((key) => [key, before[key]]))] as const;
    });
    return { type: 'change', changes: Object.fromEntries(back) };
  },
  writes: ({ changes }) => Object.keys(changes).map((id) => `motif ${id}`),
  describe: ({ changes }) => `${verb(Object.values(changes))} ${countMotifs(Object.keys(changes).length)}`,
};

/** A field that is there but undefined changes nothing. */
function definedFields(change: PlacementChange): PlacementChange {
  return Object.fromEntries(Object.entries(change).filter(([, value]) => value !== undefined));
}

function verb(changes: readonly PlacementChange[]): string {
  const keys = new Set(changes.flatMap((fields) => Object.keys(fields)));
  if (keys.has('motif')) return 'replaced';
  if (keys.has('scale') || keys.has('aspect')) return 'resized';
  if (keys.has('rotation')) return 'rotated';
  return keys.has('x') || keys.has('y') ? 'moved' : 'changed';
}
