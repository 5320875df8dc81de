import { IDENTITY, type Point } from '../geometry/index.ts';
import type { Artwork, ArtworkNode } from '../motif/index.ts';
import { faceMap } from './face/index.ts';
import { FULL, TO_LINEAR } from './linearLight.ts';
import type { DrawnProduct } from './outlineProduct.ts';
import { type Corners, cornersFault } from './homography.ts';
import type { Marked, MarkedFace } from './marked.ts';
import { faceFault } from './product.ts';

/** A picture that was kept: its address and size in pixels. */
export interface KeptPhoto {
  readonly blob: string;
  readonly width: number;
  readonly height: number;
}

/** The addresses of pictures that were made of a photograph. */
export interface MarkedPictures {
  /** Its light, as `photoLight` makes it. */
  readonly light: string;
  /** Of each face that has a mask what is shown of it, as the opacity of black. */
  readonly masks: Readonly<Record<string, string>>;
}

/** One face in the middle of a photograph, for whoever marks it to begin with: half as wide and as high, 400 mm across. */
export function firstFace({ width, height }: Pick<KeptPhoto, 'width' | 'height'>): MarkedFace {
  const [left, right, top, bottom] = [width * 0.25, width * 0.75, height * 0.25, height * 0.75];
  const corners: [Point, Point, Point, Point] = [
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: bottom },
    { x: left, y: bottom },
  ];
  const mm = 400;
  return {
    id: 'face-1',
    name: 'Face 1',
    face: { kind: 'plane', corners, width: mm, height: Math.round((mm * height) / width) },
  };
}

/**
 * Makes a product of a photograph and the faces that were marked on it. A pixel of the photograph is a unit of the scene.
 *
 * @param pictures what was made of it
 */
export function photoProduct(
  id: string,
  name: string,
  photo: KeptPhoto,
  marked: Marked,
  pictures: MarkedPictures,
): DrawnProduct {
  const { width, height } = photo;
  const view = { x: 0, y: 0, width, height };
  const layer = (nodes: ArtworkNode[]): Artwork => ({ version: 1, view, nodes });
  const picture = (blob: string): ArtworkNode => ({ kind: 'picture', blob, ...view });
  const light: ArtworkNode = {
    kind: 'group',
    matrix: IDENTITY,
    opacity: marked.light,
    children: [picture(pictures.light)],
  };
  return {
    product: {
      version: 1,
      id,
      name,
      group: 'own',
      size: '',
      width,
      height,
      backdrop: '#ffffff',
      pieces: marked.faces.map((one) => ({
        id: one.id,
        name: one.name,
        face: one.face,
        grain: 0,
        datum: { x: one.face.width / 2, y: one.face.height / 2 },
      })),
    },
    drawing: {
      under: layer([picture(photo.blob)]),
      light: layer([light]),
      over: layer([]),
      outlines: marked.faces.map((one) => {
        const mask = pictures.masks[one.id];
        return {
          id: one.id,
          artwork: layer([faceNode(rimOf(one.face), mask === undefined ? undefined : picture(mask))]),
        };
      }),
      marked,
    },
  };
}

/** Points of a bulge each way to begin with, and of its rim between two of them. */
const [BULGE_POINTS, RIM_POINTS] = [4, 8];

/** The outline of a marked face in the photograph. */
export function rimOf(face: MarkedFace['face']): Point[] {
  if (face.kind === 'plane') return [...face.corners];
  const { toScene } = faceMap(face);
  const { width, height } = face;
  const across = (face.columns - 1) * RIM_POINTS;
  const down = (face.rows - 1) * RIM_POINTS;
  return [
    ...Array.from({ length: across }, (_, n) => toScene((width * n) / across, 0)),
    ...Array.from({ length: down }, (_, n) => toScene(width, (height * n) / down)),
    ...Array.from({ length: across }, (_, n) => toScene(width - (width * n) / across, height)),
    ...Array.from({ length: down }, (_, n) => toScene(0, height - (height * n) / down)),
  ];
}

/** A flat face as a grid of points that can be pulled into a bulge, seen as it was. */
export function bulging(face: MarkedFace['face']): MarkedFace['face'] {
  if (face.kind === 'mesh') return face;
  const { toScene } = faceMap(face);
  const [columns, rows] = [BULGE_POINTS, BULGE_POINTS];
  const points = Array.from({ length: columns * rows }, (_, n) =>
    toScene((face.width * (n % columns)) / (columns - 1), (face.height * Math.floor(n / columns)) / (rows - 1)),
  );
  return { kind: 'mesh', columns, rows, points, width: face.width, height: face.height };
}

/** The flat face between the corners of a bulge. */
export function flattened(face: MarkedFace['face']): MarkedFace['face'] {
  if (face.kind === 'plane') return face;
  const { columns, rows, points, width, height } = face;
  const at = (i: number, j: number): Point => points[j * columns + i] ?? { x: 0, y: 0 };
  const corners: Corners = [at(0, 0), at(columns - 1, 0), at(columns - 1, rows - 1), at(0, rows - 1)];
  return { kind: 'plane', corners, width, height };
}

/** Says in a sentence why no cloth can be laid on a marked face, or nothing where it can. */
export function markedFault(face: MarkedFace['face']): string | undefined {
  const flat = flattened(face);
  const fault = flat.kind === 'plane' ? cornersFault(flat.corners) : undefined;
  return fault ?? faceFault(face);
}

/** A face, or what its mask shows of it. */
function faceNode(corners: readonly Point[], mask: ArtworkNode | undefined): ArtworkNode {
  const shape = { path: `M${corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`, rule: 'nonzero' } as const;
  return mask
    ? { kind: 'group', matrix: IDENTITY, opacity: 1, clip: [{ ...shape, matrix: IDENTITY }], children: [mask] }
    : { kind: 'path', ...shape, strokeFirst: false, fill: { kind: 'ink', ink: '#000000', opacity: 1 } };
}

/**
 * The light of a photograph on its marked faces: how bright each pixel is against the middle brightness of them all, as grey whose
 * middle changes nothing.
 *
 * @param pixels RGBA, sRGB
 * @param isMarked whether a pixel lies on a face
 * @returns RGBA, the grey of each pixel in all three
 */
export function photoLight(
  pixels: Uint8ClampedArray,
  isMarked: (pixel: number) => boolean,
): Uint8ClampedArray<ArrayBuffer> {
  // Relative luminance (ITU-R BT.709).
  const lights = new Float32Array(pixels.length / 4);
  const onFaces: number[] = [];
  for (let n = 0; n < lights.length; n += 1) {
    const red = TO_LINEAR[pixels[n * 4] as number] as number;
    const green = TO_LINEAR[pixels[n * 4 + 1] as number] as number;
    const blue = TO_LINEAR[pixels[n * 4 + 2] as number] as number;
    lights[n] = (0.2126 * red + 0.7152 * green + 0.0722 * blue) / FULL;
    if (isMarked(n)) onFaces.push(lights[n] as number);
  }
  const ground = Math.max(0.01, medianOf(onFaces));
  const out = new Uint8ClampedArray(pixels.length);
  for (let n = 0; n < lights.length; n += 1) {
    const grey = 127.5 * ((lights[n] as number) / ground);
    out[n * 4] = out[n * 4 + 1] = out[n * 4 + 2] = grey;
    out[n * 4 + 3] = 255;
  }
  return out;
}

function medianOf(values: number[]): number {
  if (values.length === 0) return 1;
  return Float32Array.from(values).sort()[Math.floor(values.length / 2)] as number;
}
