import { array, boolean, object, string, type InferType } from 'yup';
import { oklabOfChannels } from '../colour/index.ts';
import type { Point } from '../geometry/index.ts';
import { between, coordinate, type Immutable, taggedUnion } from '../schema/index.ts';

/** Steps of one mask, and points of one of its strokes, at the most. */
const [MOST_STEPS, MOST_POINTS] = [300, 4000];
const pointSchema = object({ x: coordinate.required(), y: coordinate.required() }).noUnknown().required();

/** One thing that was done to a mask; lengths in pixels of the photograph. What it shows is cloth from then on, what it hides is the photograph. */
export const maskStepSchema = taggedUnion(
  'kind',
  {
    stroke: object({
      kind: string<'stroke'>().oneOf(['stroke']).required(),
      shows: boolean().required(),
      width: between(0.5, 3000),
      points: array(pointSchema).required().min(1).max(MOST_POINTS),
    }).noUnknown(),
    pick: object({
      kind: string<'pick'>().oneOf(['pick']).required(),
      shows: boolean().required(),
      at: pointSchema,
      /** How far a colour may be from the one that was picked, in OKLab. */
      tolerance: between(0, 1),
    }).noUnknown(),
    all: object({ kind: string<'all'>().oneOf(['all']).required(), shows: boolean().required() }).noUnknown(),
  },
  'step',
);
export type MaskStep = Immutable<InferType<typeof maskStepSchema>>;

export const maskSchema = array(maskStepSchema).max(MOST_STEPS);

/** A photograph, at its own size or smaller. */
export interface MaskedPhoto {
  /** RGBA, sRGB. */
  readonly data: Uint8ClampedArray;
  readonly width: number;
  readonly height: number;
  /** Its pixels to one of the photograph as it is kept. */
  readonly scale: number;
}

/** A mask on which nothing has been done: all is cloth. 0 hides a pixel, 255 shows it. */
export function fullMask({ width, height }: MaskedPhoto): Uint8Array {
  return new Uint8Array(width * height).fill(255);
}

/** Does one step to a mask, in place. */
export function applyMaskStep(mask: Uint8Array, step: MaskStep, photo: MaskedPhoto): void {
  if (step.kind === 'all') mask.fill(step.shows ? 255 : 0);
  else if (step.kind === 'stroke') paintStroke(mask, step, photo);
  else paintPicked(mask, step, photo);
}

/** The mask after all of its steps. */
export function maskOf(steps: readonly MaskStep[], photo: MaskedPhoto): Uint8Array {
  const mask = fullMask(photo);
  for (const step of steps) applyMaskStep(mask, step, photo);
  return mask;
}

type Step<K> = Extract<MaskStep, { readonly kind: K }>;

/** Shows or hides a pixel by a share, 0 to 255, which never undoes what was done to it before. */
function lay(mask: Uint8Array, pixel: number, share: number, shows: boolean): void {
  const before = mask[pixel] as number;
  mask[pixel] = shows ? Math.max(before, share) : Math.min(before, 255 - share);
}

/** A round brush along a line. */
function paintStroke(mask: Uint8Array, { points, width: wide, shows }: Step<'stroke'>, photo: MaskedPhoto): void {
  const { width, height, scale } = photo;
  const radius = (wide * scale) / 2;
  points.forEach((end, n) => {
    const start = points[Math.max(0, n - 1)] as Point;
    const [ax, ay, bx, by] = [start.x * scale, start.y * scale, end.x * scale, end.y * scale];
    const [left, right] = [Math.min(ax, bx) - radius - 1, Math.max(ax, bx) + radius + 1];
    const [top, bottom] = [Math.min(ay, by) - radius - 1, Math.max(ay, by) + radius + 1];
    const length = (bx - ax) ** 2 + (by - ay) ** 2;
    for (let y = Math.max(0, Math.floor(top)); y < Math.min(height, Math.ceil(bottom)); y += 1)
      for (let x = Math.max(0, Math.floor(left)); x < Math.min(width, Math.ceil(right)); x += 1) {
        const [px, py] = [x + 0.5, y + 0.5];
        const along =
          length > 0 ? Math.min(1, Math.max(0, ((px - ax) * (bx - ax) + (py - ay) * (by - ay)) / length)) : 0;
        const away = Math.hypot(px - ax - along * (bx - ax), py - ay - along * (by - ay));
        const share = Math.min(1, Math.max(0, radius + 0.5 - away));
        if (share > 0) lay(mask, y * width + x, Math.round(255 * share), shows);
      }
  });
}

/** All that hangs together with a pixel and is of about its colour; its edge is softened. */
function paintPicked(mask: Uint8Array, { at, tolerance, shows }: Step<'pick'>, photo: MaskedPhoto): void {
  const { width, height } = photo;
  const picked = pickedFrom(at, tolerance, photo);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      let [sum, count] = [0, 0];
      for (let ny = Math.max(0, y - 1); ny <= Math.min(height - 1, y + 1); ny += 1)
        for (let nx = Math.max(0, x - 1); nx <= Math.min(width - 1, x + 1); nx += 1) {
          sum += picked[ny * width + nx] as number;
          count += 1;
        }
      if (sum > 0) lay(mask, y * width + x, Math.round((255 * sum) / count), shows);
    }
}

/** 1 for each pixel that is reached from a point over pixels of about its colour. */
function pickedFrom(at: Point, tolerance: number, { data, width, height, scale }: MaskedPhoto): Uint8Array {
  const picked = new Uint8Array(width * height);
  const clamped = (value: number, count: number): number => Math.min(count - 1, Math.max(0, Math.floor(value * scale)));
  const first = clamped(at.y, height) * width + clamped(at.x, width);
  const labOf = (pixel: number): readonly [number, number, number] =>
    oklabOfChannels(data[pixel * 4] as number, data[pixel * 4 + 1] as number, data[pixel * 4 + 2] as number);
  const [l, a, b] = labOf(first);
  const isNear = (pixel: number): boolean => {
    const lab = labOf(pixel);
    return Math.hypot(lab[0] - l, lab[1] - a, lab[2] - b) <= tolerance;
  };
  // Seen pixels are 1 where they are picked, 2 where they are not.
  const waiting = [first];
  picked[first] = 1;
  const look = (pixel: number): void => {
    if (picked[pixel]) return;
    picked[pixel] = isNear(pixel) ? 1 : 2;
    if (picked[pixel] === 1) waiting.push(pixel);
  };
  for (let pixel = waiting.pop(); pixel !== undefined; pixel = waiting.pop()) {
    const x = pixel % width;
    if (x > 0) look(pixel - 1);
    if (x < width - 1) look(pixel + 1);
    if (pixel >= width) look(pixel - width);
    if (pixel < width * (height - 1)) look(pixel + width);
  }
  for (let pixel = 0; pixel < picked.length; pixel += 1) if (picked[pixel] === 2) picked[pixel] = 0;
  return picked;
}
