import { type Box, boxAround, type Point } from '../geometry/index.ts';
import { unionOf } from '../motif/index.ts';
import type { Stroke } from '../recipe/index.ts';
import { decodeLoops, decodePoints } from './penPoint.ts';
import { strokeOutline } from './strokeOutline.ts';

/** The rectangle that strokes reach over, mm; undefined where they leave nothing. */
export function strokesBox(strokes: readonly Stroke[]): Box | undefined {
  return unionOf(
    strokes.map((stroke) => {
      const outline = outlinesOf(stroke).flat();
      return stroke.deed === 'rubber' || outline.length === 0 ? undefined : boxAround(outline);
    }),
  );
}

/** What a stroke covers, as closed lines, mm: one, or of an area with holes several by the even–odd rule. */
export function outlinesOf(stroke: Stroke): Point[][] {
  return stroke.deed === 'area'
    ? decodeLoops(stroke.points)
    : [strokeOutline(decodePoints(stroke.points), stroke, stroke.seed)];
}
