import { snap, snapTargets, type SnapTargets } from '../../../core/arrange/index.ts';
import { cornersAround, type Placement } from '../../../core/document/index.ts';
import { type Box, boxAround, type Point, shiftBox } from '../../../core/geometry/index.ts';
import { lengthToMm } from '../viewport.ts';
import type { GestureContext } from './gestureContext.ts';

/** Lines catch what is moved within this many CSS pixels. */
export const CATCH_PX = 6;

/** The box of what is moved, where it was taken, and the lines that can catch it. */
export interface Catching {
  readonly box: Box;
  readonly targets: SnapTargets;
}

/** What is moved, where it was taken, and what can catch it. */
export function catchingOf({ editor }: GestureContext, selectedInstances: readonly Placement[]): Catching | undefined {
  const corners = selectedInstances.flatMap((placement) => {
    const motif = editor.motif(placement.motif);
    return motif ? cornersAround(placement, motif).map(({ x, y }) => ({ x: x + placement.x, y: y + placement.y })) : [];
  });
  if (corners.length === 0) return undefined;
  const { guides, layers, placements } = editor.design;
  const hidden = new Set(layers.filter(({ shown }) => !shown).map(({ id }) => id));
  const still = {
    placements: placements.filter(({ layer }) => !hidden.has(layer)),
    guides: editor.guidesShown.getState() ? guides : [],
  };
  return {
    box: boxAround(corners),
    targets: snapTargets(editor.lattice, still, editor.motifMap, new Set(selectedInstances.map(({ id }) => id))),
  };
}

/** How far it goes once lines have caught it; Ctrl held turns that off, or on where it is off. */
export function caught(
  { editor, view, snapLines }: GestureContext,
  by: Point,
  other: boolean,
  catching: Catching | undefined,
): Point {
  if (!catching || editor.snapping.getState() === other) {
    snapLines.set([]);
    return by;
  }
  const reach = lengthToMm(view.getViewport(), { x: CATCH_PX, y: 0 }).x;
  const snapResult = snap(shiftBox(catching.box, by), catching.targets, reach);
  snapLines.set(snapResult.lines);
  return { x: by.x + snapResult.by.x, y: by.y + snapResult.by.y };
}
