import { type Box, boxAround, type Point } from '../geometry/index.ts';
import { unionOf } from '../motif/index.ts';
import type { Stroke } from '../recipe/index.ts';
import { pathLines } from './penPath.ts';
import { decodeLoops, decodePoints, type PenPoint } from './penPoint.ts';
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

/** What a stroke covers, as closed lines, mm: of an area with holes several by the even–odd rule. */
export function outlinesOf(stroke: Stroke): Point[][] {
  if (stroke.deed === 'area') return decodeLoops(stroke.points);
  return linesOf(stroke).map((line) => strokeOutline(line, stroke, stroke.seed));
}

/** The middle lines of a stroke, or the outlines of an area. */
export function linesOf({ deed, points }: Pick<Stroke, 'deed' | 'points'>): PenPoint[][] {
  if (deed === 'area') return decodeLoops(points).map(asPenPoints);
  return deed === 'path' ? pathLines(points).map(asPenPoints) : [decodePoints(points)];
}

const asPenPoints = (line: readonly Point[]): PenPoint[] => line.map(({ x, y }, time) => ({ x, y, time, pressure: 1 }));
