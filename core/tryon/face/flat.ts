import { object, string } from 'yup';
import { compose, invert, rotationMatrix, scalingMatrix, transform, translationMatrix } from '../../geometry/index.ts';
import { between, coordinate } from '../../schema/index.ts';
import { defineFace } from './faceKind.ts';

/** Cloth that lies flat, seen from above. */
export const flat = defineFace({
  schema: object({
    kind: string<'flat'>().oneOf(['flat']).required(),
    /** Where the cloth's own (0, 0) lies in the scene. */
    x: coordinate.required(),
    y: coordinate.required(),
    /** mm of cloth to a unit of the scene. */
    unit: between(1e-4, 1e4),
    /** How far the piece is turned in the scene, degrees clockwise. */
    rotation: between(-360, 360),
  }).noUnknown(),
  map({ x, y, unit, rotation }) {
    const onto = compose(translationMatrix(x, y), compose(rotationMatrix(rotation), scalingMatrix(1 / unit, 1 / unit)));
    const back = invert(onto);
    if (!back) throw new RangeError('A flat piece needs a size.');
    const [a, b, c, d, e, f] = back;
    return {
      toCloth(px, py, out) {
        out[0] = a * px + c * py + e;
        out[1] = b * px + d * py + f;
        return true;
      },
      toScene: (u, v) => transform(onto, { x: u, y: v }),
    };
  },
});
