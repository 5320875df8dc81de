import { object, string } from 'yup';
import { between } from '../../schema/index.ts';
import { cylinder } from './cylinder.ts';
import { defineFace } from './faceKind.ts';
import { frontOf, roundFields } from './round.ts';

/** Rims that differ by less than this, as a share, are those of a cylinder: the cone's point is too far away to reckon with. */
const LEAST_TAPER = 1e-4;

/**
 * Cloth around a cone without its point, such as a lampshade, cut as the sector that it unrolls to. (0, 0) is the point of its
 * upper rim that is nearest to the eye.
 */
export const cone = defineFace({
  schema: object({
    kind: string<'cone'>().oneOf(['cone']).required(),
    ...roundFields,
    /** Diameters of its rims, mm. */
    top: between(1, 1e5),
    bottom: between(1, 1e5),
  }).noUnknown(),
  map({ top, bottom, height, ...round }) {
    if (Math.abs(top - bottom) < LEAST_TAPER * Math.max(top, bottom))
      return cylinder.map({ ...round, kind: 'cylinder', height, diameter: top });
    const growth = (bottom - top) / 2 / height;
    const front = frontOf({ ...round }, top / 2, growth);
    // The sine of half the angle at the cone's point: an angle about the axis is so much smaller once unrolled.
    const sine = Math.abs(growth) / Math.hypot(1, growth);
    const opens = growth > 0 ? 1 : -1;
    const rim = top / 2 / sine;
    return {
      toCloth(x, y, out) {
        if (!front.find(x, y, out)) return false;
        const angle = (out[0] as number) * sine;
        const slant = (top / 2 + growth * (out[1] as number)) / sine;
        out[0] = slant * Math.sin(angle);
        out[1] = opens * (slant * Math.cos(angle) - rim);
        return true;
      },
      toScene(u, v) {
        const along = rim + opens * v;
        const slant = Math.hypot(u, along);
        return front.place(Math.atan2(u, along) / sine, (slant * sine - top / 2) / growth);
      },
    };
  },
});
