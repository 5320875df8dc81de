import type { SCREEN_SHAPES } from './separationOrder.ts';

/** What shades are turned into. */
export interface Screen {
  readonly shape: (typeof SCREEN_SHAPES)[number];
  /** Pixels from one dot or line to the next. */
  readonly pitch: number;
  /** Degrees clockwise from level. */
  readonly angle: number;
}

/** A whole number of waves over the width and the height of a tile. */
interface WholeWaves {
  readonly across: number;
  readonly down: number;
}

/** Levels that a spot grows through. */
const LEVELS = 256;
/** Places along a side of one dot that its growth is measured at. */
const PLACES = 96;

/**
 * Thresholds of a screen that closes on the tile: a pixel is printed where its shade is above its threshold. The screen's
 * two wave vectors are the whole numbers of waves over the tile nearest to the pitch and angle wished for.
 *
 * @returns 0 up to 255 for each pixel of a row
 */
export function screenRows(screen: Screen, width: number, height: number): (y: number) => Uint8Array {
  const radians = (screen.angle * Math.PI) / 180;
  const frequency = 1 / screen.pitch;
  const first = wavesNear(Math.cos(radians) * frequency, Math.sin(radians) * frequency, width, height);
  const second = wavesNear(-Math.sin(radians) * frequency, Math.cos(radians) * frequency, width, height);
  const spot = screen.shape === 'round' ? roundSpot() : lineSpot;
  return (y) =>
    Uint8Array.from({ length: width }, (_, x) => {
      const u = ((x + 0.5) * first.across) / width + ((y + 0.5) * first.down) / height;
      const v = ((x + 0.5) * second.across) / width + ((y + 0.5) * second.down) / height;
      return spot(u - Math.floor(u), v - Math.floor(v));
    });
}

function wavesNear(x: number, y: number, width: number, height: number): WholeWaves {
  const [across, down] = [Math.round(x * width), Math.round(y * height)];
  if (across !== 0 || down !== 0) return { across, down };
  // A tile smaller than the pitch still has one wave.
  return Math.abs(x * width) >= Math.abs(y * height) ? { across: 1, down: 0 } : { across: 0, down: 1 };
}

/** Lines: the threshold is the distance from the line's middle, so that the share printed is the shade. */
function lineSpot(u: number): number {
  return Math.min(LEVELS - 1, Math.floor(LEVELS * Math.abs(2 * u - 1)));
}

/**
 * Round dots that meet at half coverage and leave round holes above (the sum of two cosines), with thresholds spread so
 * that as much is printed as the shade says.
 */
function roundSpot(): (u: number, v: number) => number {
  const height = (u: number, v: number): number => Math.cos(2 * Math.PI * u) + Math.cos(2 * Math.PI * v);
  const heights = Float64Array.from({ length: PLACES * PLACES }, (_, n) =>
    height(((n % PLACES) + 0.5) / PLACES, (Math.floor(n / PLACES) + 0.5) / PLACES),
  ).sort();
  // How much of a dot is higher than a height: the share at which it begins to be printed.
  const levels = Uint8Array.from({ length: 4 * LEVELS + 1 }, (_, n) => {
    const at = n / LEVELS - 2;
    return Math.min(LEVELS - 1, Math.floor((LEVELS * (heights.length - countBelow(heights, at))) / heights.length));
  });
  return (u, v) => levels[Math.round((height(u, v) + 2) * LEVELS)] as number;
}

function countBelow(sorted: Float64Array, value: number): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((sorted[middle] as number) < value) low = middle + 1;
    else high = middle;
  }
  return low;
}
