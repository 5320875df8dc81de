import { seeded } from '../random/index.ts';
import { blankPixels, type PixelImage } from '../scan/index.ts';

/** What a texture is, of x and y in pixels: levels of red, green and blue. */
type Shade = (x: number, y: number) => readonly [number, number, number];

/** Smooth noise of a lattice of random numbers, one every `size` pixels; −1 to 1. */
function smoothNoise(seed: number, size: number): (x: number, y: number) => number {
  const random = seeded(seed);
  const side = 64;
  const values = Float64Array.from({ length: side * side }, () => 2 * random() - 1);
  const at = (i: number, j: number): number => values[(j & (side - 1)) * side + (i & (side - 1))] as number;
  return (x, y) => {
    const [u, v] = [x / size, y / size];
    const [i, j] = [Math.floor(u), Math.floor(v)];
    const [s, t] = [u - i, v - j].map((n) => n * n * (3 - 2 * n)) as [number, number];
    return (at(i, j) * (1 - s) + at(i + 1, j) * s) * (1 - t) + (at(i, j + 1) * (1 - s) + at(i + 1, j + 1) * s) * t;
  };
}

/** Noise of several sizes, each half as strong as the one before. */
function layeredNoise(seed: number, size: number, layers: number): (x: number, y: number) => number {
  const all = Array.from({ length: layers }, (_, n) => smoothNoise(seed + n, size / 2 ** n));
  return (x, y) => all.reduce((sum, noise, n) => sum + noise(x, y) / 2 ** n, 0);
}

function grain(seed: number): (x: number, y: number) => number {
  const random = seeded(seed);
  const values = Float64Array.from({ length: 1 << 18 }, () => random() + random() + random() - 1.5);
  return (x, y) => values[(y * 509 + x) & ((1 << 18) - 1)] as number;
}

/** Round stones over each other: how deep a place is in the nearest, and which that is. */
function pebbles(seed: number, size: number): Shade {
  const random = seeded(seed);
  const side = 40;
  const stones = Array.from({ length: side * side }, () => ({ u: random(), v: random(), tone: random() }));
  return (x, y) => {
    const [i, j] = [Math.floor(x / size), Math.floor(y / size)];
    let [nearest, second, tone] = [Infinity, Infinity, 0];
    for (let dj = -1; dj <= 1; dj += 1) {
      for (let di = -1; di <= 1; di += 1) {
        const stone = stones[((((j + dj) % side) + side) % side) * side + ((((i + di) % side) + side) % side)];
        if (!stone) continue;
        const far = Math.hypot(x / size - i - di - stone.u, y / size - j - dj - stone.v);
        if (far < nearest) [second, nearest, tone] = [nearest, far, stone.tone];
        else if (far < second) second = far;
      }
    }
    const edge = Math.min(1, 6 * (second - nearest));
    const light = (90 + 110 * tone) * (0.35 + 0.65 * edge) - 40 * nearest;
    return [light, light * 0.95, light * 0.85];
  };
}

const KINDS: readonly ((seed: number) => Shade)[] = [
  (seed) => {
    const noise = layeredNoise(seed, 40, 5);
    return (x, y) => {
      const n = noise(x, y);
      return [130 + 60 * n, 120 + 50 * n, 100 + 40 * n];
    };
  },
  (seed) => {
    const fine = grain(seed);
    return (x, y) => {
      const n = 140 + 40 * fine(x, y);
      return [n, n, n * 0.9];
    };
  },
  // Brush: noise drawn out along one direction.
  (seed) => {
    const noise = layeredNoise(seed, 24, 4);
    return (x, y) => {
      const n = noise(x / 6 + y / 20, y);
      return [60 + 40 * n, 110 + 60 * n, 150 + 50 * n];
    };
  },
  (seed) => pebbles(seed, 22),
  // Weave: threads over and under, each a little off.
  (seed) => {
    const wobble = smoothNoise(seed, 60);
    const fine = grain(seed + 9);
    return (x, y) => {
      const [u, v] = [x / 7 + 0.3 * wobble(x, y), y / 7 + 0.3 * wobble(y, x)];
      const over = Math.floor(u) % 2 === Math.floor(v) % 2;
      const across = over ? v - Math.floor(v) : u - Math.floor(u);
      const n = 170 - 130 * Math.abs(across - 0.5) + (over ? 12 : -12) + 10 * fine(x, y);
      return [n, n * 0.92, n * 0.78];
    };
  },
  // Unevenly lit paper with specks.
  (seed) => {
    const fine = grain(seed);
    const spots = layeredNoise(seed + 3, 12, 3);
    return (x, y) => {
      const n = 190 - 0.12 * x - 0.07 * y + 10 * fine(x, y) - (spots(x, y) > 0.7 ? 60 : 0);
      return [n, n * 0.97, n * 0.9];
    };
  },
];

/** How many different textures there are. */
export const TEXTURE_COUNT = 24;

/** A texture as a photograph of it would be: opaque, and not periodic. Numbers 0 to 23 are four of each of six kinds. */
export function texture(number: number, width: number, height: number): PixelImage {
  const shade = (KINDS[number % KINDS.length] as (typeof KINDS)[number])(1000 + 37 * number);
  const image = blankPixels(width, height);
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const at = 4 * (y * width + x);
      shade(x, y).forEach((level, c) => {
        image.data[at + c] = level;
      });
      image.data[at + 3] = 255;
    }
  return image;
}
