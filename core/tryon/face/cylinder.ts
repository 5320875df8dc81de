import { object, string } from 'yup';
import { between } from '../../schema/index.ts';
import { defineFace } from './faceKind.ts';
import { frontOf, roundFields } from './round.ts';

/** Cloth around a cylinder: (0, 0) is the point of its upper rim that is nearest to the eye. */
export const cylinder = defineFace({
  schema: object({
    kind: string<'cylinder'>().oneOf(['cylinder']).required(),
    ...roundFields,
    diameter: between(1, 1e5),
  }).noUnknown(),
  map(face) {
    const radius = face.diameter / 2;
    const front = frontOf(face, radius, 0);
    return {
      toCloth(x, y, out) {
        const isSeen = front.find(x, y, out);
        out[0] = radius * (out[0] as number);
        return isSeen;
      },
      toScene: (u, v) => front.place(u / radius, v),
    };
  },
});
