import { createCanvas } from '@napi-rs/canvas';
import { mirroredStep, SQUARE, step } from '../core/lattice/index.ts';
import { seeded } from '../core/random/index.ts';
import { blankPixels, type PixelImage } from '../core/scan/index.ts';
import { Fourier } from '../core/tile/fourier.ts';
import { LiveTile, makeTile, type TileWish } from '../core/tile/index.ts';
import { fastest } from './fastest.ts';

/** Times in ms. */
export interface TileTimings {
  /** Twelve megapixels joined by themselves; copying as many; and one Fourier transform of them and back. */
  readonly joined: number;
  readonly copy: number;
  readonly transform: number;
  /** Filling the window of the cloth with a repeating picture, and making what is shown while the frame is dragged. */
  readonly fill: number;
  readonly live: number;
}

const [WIDTH, HEIGHT] = [4000, 3000];
/** What is made while the frame is in the hand, and the cloth beside the picture at 1280 × 800. */
const LIVE_PIXELS = 16_000;
const CLOTH = { width: 480, height: 752 };

function photograph(width: number, height: number): PixelImage {
  const random = seeded(5);
  const image = blankPixels(width, height);
  for (let n = 0; n < image.data.length; n += 1) image.data[n] = n % 4 === 3 ? 255 : 90 + 80 * random();
  return image;
}

const frameOf = ({ width, height }: PixelImage): TileWish['frame'] => ({
  x: width / 2,
  y: height / 2,
  width,
  height,
  rotation: 0,
});

export function tileTimings(): TileTimings {
  const large = photograph(WIDTH, HEIGHT);
  const way = { kind: 'joined', step: step('half-drop'), overlap: 0.15, spread: true, even: true } as const;
  const began = performance.now();
  makeTile(large, { frame: frameOf(large), width: 400, way });
  const joined = performance.now() - began;
  const copy = fastest(() => void large.data.slice(), 3);
  const transform = fastest(() => {
    const data = new Float64Array(2 * WIDTH * HEIGHT);
    const [across, down] = [new Fourier(WIDTH), new Fourier(HEIGHT)];
    for (const direction of ['forward', 'inverse'] as const) {
      for (let y = 0; y < HEIGHT; y += 1) across[direction](data.subarray(2 * y * WIDTH, 2 * (y + 1) * WIDTH));
      const line = new Float64Array(2 * HEIGHT);
      for (let x = 0; x < WIDTH; x += 1) {
        for (let y = 0; y < HEIGHT; y += 1)
          line.set(data.subarray(2 * (y * WIDTH + x), 2 * (y * WIDTH + x) + 2), 2 * y);
        down[direction](line);
        for (let y = 0; y < HEIGHT; y += 1) data.set(line.subarray(2 * y, 2 * y + 2), 2 * (y * WIDTH + x));
      }
    }
  }, 1);
  // Both ways mirrored, a quarter of the tile is the frame.
  const side = Math.sqrt(LIVE_PIXELS / 4);
  const small = photograph(400, 300);
  const wish: TileWish = {
    frame: { x: 200, y: 150, width: side, height: side, rotation: 3 },
    width: 100,
    way: { kind: 'laid', step: mirroredStep(SQUARE, 'both') },
  };
  const { lay } = new LiveTile();
  let moved = 0;
  const live = fastest(() => {
    moved = (moved + 1) % 40;
    makeTile(small, { ...wish, frame: { ...wish.frame, x: 180 + moved } }, { lay });
  }, 60);
  const sheet = createCanvas(CLOTH.width, CLOTH.height).getContext('2d');
  const tile = createCanvas(2 * side, 2 * side);
  const fill = fastest(() => {
    const pattern = sheet.createPattern(tile, 'repeat');
    if (pattern) sheet.fillStyle = pattern;
    sheet.fillRect(0, 0, CLOTH.width, CLOTH.height);
    sheet.getImageData(0, 0, 1, 1);
  }, 20);
  return { joined, copy, transform, fill, live };
}
