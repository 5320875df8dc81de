import { object, string, tuple } from 'yup';
import { between, pointSchema } from '../../schema/index.ts';
import { homographyOnto, invertHomography, project } from '../homography.ts';
import { defineFace } from './faceKind.ts';

const corner = pointSchema.required();

/** A flat face seen at an angle. */
export const plane = defineFace({
  schema: object({
    kind: string<'plane'>().oneOf(['plane']).required(),
    /** Where the corners of its rectangle are seen: top left, top right, bottom right, bottom left as the cloth lies. */
    corners: tuple([corner, corner, corner, corner]).required(),
    /** mm of cloth between the corners. */
    width: between(1, 1e5),
    height: between(1, 1e5),
  }).noUnknown(),
  map({ corners, width, height }) {
    const onto = homographyOnto(corners, width, height);
    const back = invertHomography(onto);
    const [a, b, c, d, e, f, g, h, i] = back;
    // Points beyond the horizon have the other sign.
    const middle = project(onto, { x: width / 2, y: height / 2 });
    const sign = Math.sign(g * middle.x + h * middle.y + i);
    return {
      toCloth(x, y, out) {
        const w = g * x + h * y + i;
        // One division: this is asked for every pixel.
        const far = 1 / w;
        out[0] = (a * x + b * y + c) * far;
        out[1] = (d * x + e * y + f) * far;
        return w * sign > 0;
      },
      toScene: (u, v) => project(onto, { x: u, y: v }),
    };
  },
});
