/** Where a motif is solid: a coarse raster of its extent, so that picking follows the drawing and not its box. */
export interface Silhouette {
  readonly width: number;
  readonly height: number;
  /** One byte a place, row after row; 1 where the motif is drawn. */
  readonly solid: Uint8Array;
}

/** Alpha from which on a place counts as drawn. */
const DRAWN = 32;

/**
 * @param pixels RGBA of the motif's extent
 * @param drawn alpha from which on a place counts as drawn, 1 to 255
 */
export function silhouetteOf(
  pixels: Uint8ClampedArray,
  width: number,
  height: number,
  drawn: number = DRAWN,
): Silhouette {
  const solid = new Uint8Array(width * height);
  for (let i = 0; i < solid.length; i += 1) solid[i] = (pixels[i * 4 + 3] as number) >= drawn ? 1 : 0;
  return { width, height, solid };
}

/**
 * Whether the motif is drawn within `reach` of a place.
 *
 * @param u 0 to 1 across the extent
 * @param v 0 to 1 down it
 * @param reach in the same shares, across and down
 */
export function isSolidNear(
  { width, height, solid }: Silhouette,
  u: number,
  v: number,
  reach: { u: number; v: number },
): boolean {
  const left = Math.max(0, Math.floor((u - reach.u) * width));
  const right = Math.min(width - 1, Math.floor((u + reach.u) * width));
  const top = Math.max(0, Math.floor((v - reach.v) * height));
  const bottom = Math.min(height - 1, Math.floor((v + reach.v) * height));
  for (let y = top; y <= bottom; y += 1) {
    for (let x = left; x <= right; x += 1) if (solid[y * width + x] === 1) return true;
  }
  return false;
}

const edges = new WeakMap<Silhouette, readonly { readonly u: number; readonly v: number }[]>();

/**
 * The outermost corners of what is drawn, row by row and column by column, as shares across and down the extent: what
 * holds all of them holds the whole drawing, as far as the raster tells. The extent's own corners where it is empty.
 */
export function edgePointsOf(silhouette: Silhouette): readonly { readonly u: number; readonly v: number }[] {
  const known = edges.get(silhouette);
  if (known) return known;
  const { width, height, solid } = silhouette;
  const points: { u: number; v: number }[] = [];
  const add = (x: number, y: number): void => void points.push({ u: x / width, v: y / height });
  const scan = (
    lines: number,
    length: number,
    at: (line: number, i: number) => number,
    corner: (line: number, i: number) => void,
  ): void => {
    for (let line = 0; line < lines; line += 1) {
      let [first, last] = [-1, -1];
      for (let i = 0; i < length; i += 1) {
        if (solid[at(line, i)] !== 1) continue;
        if (first < 0) first = i;
        last = i;
      }
      if (first < 0) continue;
      for (const side of [line, line + 1]) {
        corner(side, first);
        corner(side, last + 1);
      }
    }
  };
  scan(
    height,
    width,
    (y, x) => y * width + x,
    (y, x) => add(x, y),
  );
  scan(
    width,
    height,
    (x, y) => y * width + x,
    (x, y) => add(x, y),
  );
  const found =
    points.length > 0
      ? points
      : [
          { u: 0, v: 0 },
          { u: 1, v: 0 },
          { u: 1, v: 1 },
          { u: 0, v: 1 },
        ];
  edges.set(silhouette, found);
  return found;
}
