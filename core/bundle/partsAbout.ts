import type { PlacedPart } from '../arrange/index.ts';
import { composePoses, inversePose, normaliseAngle, type Pose } from '../geometry/index.ts';
import type { Part } from '../recipe/index.ts';

/** The parts that, posed by `about`, lie where the placements lie. */
export function partsAbout(placements: readonly PlacedPart[], about: Pose): Part[] {
  const back = inversePose(about);
  return placements.map(({ motif, opacity, ...one }) => {
    const { x, y, rotation, scale, aspect, skew, flipped } = composePoses(back, one);
    return { motif, opacity, x, y, rotation: normaliseAngle(rotation), scale, aspect, skew, flipped };
  });
}
