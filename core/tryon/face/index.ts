import type { InferType } from 'yup';
import { type Immutable, taggedUnion } from '../../schema/index.ts';
import { cone } from './cone.ts';
import { cylinder } from './cylinder.ts';
import type { FaceMap } from './faceKind.ts';
import { flat } from './flat.ts';
import { mesh } from './mesh.ts';
import { plane } from './plane.ts';

export type { FaceMap } from './faceKind.ts';

const FACES = { flat, plane, cylinder, cone, mesh } as const;

/** How a piece of cloth is seen: flat, at an angle, around something, or over a bulge. */
export const faceSchema = taggedUnion(
  'kind',
  { flat: flat.schema, plane: plane.schema, cylinder: cylinder.schema, cone: cone.schema, mesh: mesh.schema },
  'face',
);
export type Face = Immutable<InferType<typeof faceSchema>>;

/** The way between scene and cloth on a face. @throws RangeError with a sentence where no cloth can be laid on it */
export function faceMap(face: Face): FaceMap {
  // Each kind is given its own, which the schema has told apart.
  const kind: { map(face: unknown): FaceMap } = FACES[face.kind] as never;
  return kind.map(face);
}
