import { lightness, type PixelImage } from './pixelImage.ts';

/** Patches across the longer side on which the light is measured. */
const PATCHES = 24;
type Rgb = readonly [number, number, number];

/** A patch darker than this share of the usual is drawn on all over. */
const DARKEST = 0.6;
/** Channels of bare paper lie no farther apart than this, as shares of the usual. */
const TINT = 0.07;
/** In a patch the paper is what is as light as this share of its pixels at least. */
const PAPER_QUANTILE = 0.9;

/**
 * Divides the picture by the light that came back from the paper, so that the paper is alike everywhere and of no tint.
 * The light is taken from the lightest pixels of each patch and made smooth over the neighbours; the paper becomes as
 * light as its lightest channel is on the mean. Changes the picture itself; see-through pixels stay as they are.
 */
export function evenLight({ width, height, data }: PixelImage): void {
  const size = Math.max(8, Math.ceil(Math.max(width, height) / PATCHES));
  const columns = Math.ceil(width / size);
  const rows = Math.ceil(height / size);
  const papers: (Rgb | undefined)[] = [];
  for (let row = 0; row < rows; row += 1) {
    for (let column = 0; column < columns; column += 1) {
      const paper = paperOf(
        data,
        width,
        column * size,
        row * size,
        Math.min(width, (column + 1) * size),
        Math.min(height, (row + 1) * size),
      );
      papers.push(paper);
    }
  }
  const lefts = new Int32Array(width);
  const shares = new Float64Array(width);
  for (let x = 0; x < width; x += 1) {
    const u = Math.min(columns - 1, Math.max(0, (x + 0.5) / size - 0.5));
    lefts[x] = Math.floor(u);
    shares[x] = u - Math.floor(u);
  }
  const bare = bareOnly(papers);
  const lights = [0, 1, 2].map((c) =>
    smoothed(
      filled(
        bare.map((paper) => paper?.[c]),
        columns,
        rows,
      ),
      columns,
      rows,
    ),
  );
  const target = Math.max(...lights.map((light) => light.reduce((sum, n) => sum + n, 0) / light.length));
  for (const [c, light] of lights.entries()) {
    const across = new Float64Array(columns + 1);
    for (let y = 0; y < height; y += 1) {
      // Between the middles of the patches, bilinear.
      const v = Math.min(rows - 1, Math.max(0, (y + 0.5) / size - 0.5));
      const upper = Math.floor(v);
      const lower = Math.min(rows - 1, upper + 1);
      for (let i = 0; i < columns; i += 1)
        across[i] =
          (light[upper * columns + i] as number) * (1 - (v - upper)) +
          (light[lower * columns + i] as number) * (v - upper);
      across[columns] = across[columns - 1] as number;
      for (let x = 0, at = y * width * 4 + c; x < width; x += 1, at += 4) {
        const left = lefts[x] as number;
        const share = shares[x] as number;
        const here = (across[left] as number) * (1 - share) + (across[left + 1] as number) * share;
        data[at] = ((data[at] as number) * target) / Math.max(1, here);
      }
    }
  }
}

/** The mean colour of a patch's lightest pixels, or undefined where nothing of it is opaque. */
function paperOf(
  data: Uint8ClampedArray,
  width: number,
  left: number,
  top: number,
  right: number,
  bottom: number,
): Rgb | undefined {
  const counts = new Uint32Array(256);
  let total = 0;
  for (let y = top; y < bottom; y += 1) {
    for (let x = left; x < right; x += 1) {
      const at = (y * width + x) * 4;
      if (data[at + 3] === 0) continue;
      const bin = Math.round(lightness(data, at));
      counts[bin] = (counts[bin] as number) + 1;
      total += 1;
    }
  }
  if (total === 0) return undefined;
  let least = 0;
  for (let sum = counts[0] as number; sum < total * PAPER_QUANTILE - 0.5 && least < 255; sum += counts[least] as number)
    least += 1;
  let [r, g, b, n] = [0, 0, 0, 0];
  for (let y = top; y < bottom; y += 1) {
    for (let x = left; x < right; x += 1) {
      const at = (y * width + x) * 4;
      if (data[at + 3] === 0 || Math.round(lightness(data, at)) < least) continue;
      r += data[at] as number;
      g += data[at + 1] as number;
      b += data[at + 2] as number;
      n += 1;
    }
  }
  return [r / n, g / n, b / n];
}

/**
 * Takes out the patches whose lightest part is no bare paper: darker than the light can have made it, or of another
 * tint than most, which light does not change.
 */
function bareOnly(papers: readonly (Rgb | undefined)[]): (Rgb | undefined)[] {
  const seen = papers.filter((paper) => paper !== undefined);
  const usual = [0, 1, 2].map((c) => median(seen.map((paper) => paper[c] as number)));
  return papers.map((paper) => {
    if (!paper) return undefined;
    const ratios = paper.map((value, c) => value / Math.max(1, usual[c] as number));
    return Math.min(...ratios) > DARKEST && Math.max(...ratios) - Math.min(...ratios) < TINT ? paper : undefined;
  });
}

function median(values: readonly number[]): number {
  return [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 255;
}

/** The light of every patch; one that is not known takes the mean of its neighbours, from the known ones inwards. */
function filled(known: readonly (number | undefined)[], columns: number, rows: number): Float64Array {
  let light = [...known];
  if (light.every((value) => value === undefined)) return new Float64Array(known.length).fill(255);
  while (light.includes(undefined)) {
    light = light.map((value, i) => {
      if (value !== undefined) return value;
      const [x, y] = [i % columns, Math.floor(i / columns)];
      const around: number[] = [];
      for (let v = Math.max(0, y - 1); v <= Math.min(rows - 1, y + 1); v += 1) {
        for (let u = Math.max(0, x - 1); u <= Math.min(columns - 1, x + 1); u += 1) {
          const near = light[v * columns + u];
          if (near !== undefined) around.push(near);
        }
      }
      return around.length > 0 ? around.reduce((sum, n) => sum + n, 0) / around.length : undefined;
    });
  }
  return Float64Array.from(light, (value) => value ?? 255);
}

/** Twice the mean of each patch and its neighbours. */
function smoothed(light: Float64Array, columns: number, rows: number): Float64Array {
  const once = (from: Float64Array): Float64Array =>
    from.map((_, i) => {
      const [x, y] = [i % columns, Math.floor(i / columns)];
      let [sum, n] = [0, 0];
      for (let v = Math.max(0, y - 1); v <= Math.min(rows - 1, y + 1); v += 1) {
        for (let u = Math.max(0, x - 1); u <= Math.min(columns - 1, x + 1); u += 1) {
          sum += from[v * columns + u] as number;
          n += 1;
        }
      }
      return sum / n;
    });
  return once(once(light));
}
