import { lightness, type PixelImage } from './pixelImage.ts';

/** Tilts are looked for up to this far, degrees. */
const FARTHEST = 12;
/** Long side of the grid on which the tilt is looked for. */
const PROBE = 900;

/**
 * How far the picture is to be turned clockwise so that its lines lie level, degrees to a fiftieth. Lines, edges and
 * rows of drawings make sharp steps in the sums along one direction; the angle with the sharpest, level and upright
 * together, is that of the sheet. 0 where no direction stands out.
 */
export function findTilt(pixels: PixelImage): number {
  const edges = edgePoints(pixels);
  if (edges.length === 0) return 0;
  let best = 0;
  for (const step of [0.5, 0.1, 0.02]) {
    const reach = step === 0.5 ? FARTHEST : step * 6;
    let most = -1;
    let found = best;
    for (let n = -Math.round(reach / step); n <= Math.round(reach / step); n += 1) {
      const angle = best + n * step;
      const sharp = sharpness(edges, angle);
      // The smaller turn wins where two are alike.
      if (sharp > most * (1 + 1e-9) || (sharp >= most && Math.abs(angle) < Math.abs(found))) {
        most = Math.max(most, sharp);
        found = angle;
      }
    }
    best = found;
  }
  // Nothing on the sheet lies in a line: as sharp half the range away as here.
  if (
    sharpness(edges, best) <
    1.02 * Math.max(sharpness(edges, best + FARTHEST / 2), sharpness(edges, best - FARTHEST / 2))
  )
    return 0;
  return Math.round(best * 50) / 50 + 0;
}

/** Triples x, y, weight of where the picture gets darker or lighter at once. */
function edgePoints({ width, height, data }: PixelImage): Float32Array {
  const by = Math.max(1, Math.ceil(Math.max(width, height) / PROBE));
  const [w, h] = [Math.floor(width / by), Math.floor(height / by)];
  const grey = new Float32Array(w * h).fill(-1);
  for (let y = 0; y < h; y += 1) {
    for (let x = 0; x < w; x += 1) {
      let [sum, n] = [0, 0];
      for (let v = 0; v < by; v += 1) {
        for (let u = 0; u < by; u += 1) {
          const at = ((y * by + v) * width + x * by + u) * 4;
          if (data[at + 3] === 0) continue;
          sum += lightness(data, at);
          n += 1;
        }
      }
      if (n > 0) grey[y * w + x] = sum / n;
    }
  }
  const points: number[] = [];
  for (let y = 1; y < h; y += 1) {
    for (let x = 1; x < w; x += 1) {
      const [here, left, up] = [
        grey[y * w + x] as number,
        grey[y * w + x - 1] as number,
        grey[(y - 1) * w + x] as number,
      ];
      if (here < 0 || left < 0 || up < 0) continue;
      const step = Math.hypot(here - left, here - up);
      if (step > 24) points.push(x - w / 2, y - h / 2, step);
    }
  }
  return Float32Array.from(points);
}

/** Sum of the squares of the sums along lines at the angle and across it. */
function sharpness(points: Float32Array, degrees: number): number {
  const angle = (degrees * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const level = new Float64Array(2 * PROBE);
  const upright = new Float64Array(2 * PROBE);
  for (let i = 0; i < points.length; i += 3) {
    const [x, y, weight] = [points[i] as number, points[i + 1] as number, points[i + 2] as number];
    const down = Math.floor(sin * x + cos * y + PROBE);
    const across = Math.floor(cos * x - sin * y + PROBE);
    level[down] = (level[down] as number) + weight;
    upright[across] = (upright[across] as number) + weight;
  }
  const squares = (sums: Float64Array): number => sums.reduce((total, n) => total + n * n, 0);
  return squares(level) + squares(upright);
}
