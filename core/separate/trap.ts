import { squaredDistances } from '../geometry/index.ts';

/** From this on a place counts as printed. */
const PRINTED = 128;

/**
 * Lets a plate reach under darker ones, so that no paper shows between them where plates shift: wherever darker inks print,
 * it prints too as far as `radius` from where it did.
 *
 * @param plate how much of each pixel is printed, 0 to 255, on the torus of a tile; left as it is
 * @param darker how much of each pixel darker plates print in all, 0 to 255
 * @param radius pixels
 * @returns the plate with its trap
 */
export function spreadUnder(
  plate: Uint8Array,
  darker: Uint8Array,
  width: number,
  height: number,
  radius: number,
): Uint8Array {
  if (radius <= 0) return plate;
  const distances = torusDistances(plate, width, height, Math.ceil(radius) + 1);
  return plate.map((own, n) => {
    // Soft by a pixel, as painted edges are.
    const reach = Math.min(1, Math.max(0, radius + 0.5 - Math.sqrt(distances[n] as number)));
    return Math.max(own, Math.min(255 * reach, darker[n] as number));
  });
}

/** Squared distance to the nearest printed pixel, around the edges of the tile too; right up to `reach`. */
function torusDistances(plate: Uint8Array, width: number, height: number, reach: number): Float64Array {
  const [wide, high] = [width + 2 * reach, height + 2 * reach];
  const set = new Uint8Array(wide * high);
  for (let y = 0; y < high; y++) {
    const row = modulo(y - reach, height) * width;
    for (let x = 0; x < wide; x++)
      set[y * wide + x] = (plate[row + modulo(x - reach, width)] as number) >= PRINTED ? 1 : 0;
  }
  const padded = squaredDistances(set, wide, high);
  const distances = new Float64Array(width * height);
  for (let y = 0; y < height; y++) {
    const from = (y + reach) * wide + reach;
    distances.set(padded.subarray(from, from + width), y * width);
  }
  return distances;
}

const modulo = (value: number, by: number): number => ((value % by) + by) % by;
