import { channels } from '../../colour/index.ts';
import type { Box } from '../../geometry/index.ts';
import type { PixelGrid } from '../../lattice/index.ts';
import { type Channels, mixer } from './mixture.ts';
import type { PatternedScene, WaveScene } from './sceneGround.ts';

/** Steps that a fading wave is painted in, and with 16 bits a channel. */
const [STEPS, DEEP_STEPS] = [1 << 11, 1 << 15];
/** Phases that the means of a fading wave are kept for. */
const PHASES = 1 << 15;

type Waved = WaveScene & Pick<PatternedScene, 'mixing'>;

/** One wave in pieces of one colour each, and the sums of what lies before each piece. */
interface Wave {
  /** Where pieces begin, the first at 0, and 1 at the end. */
  readonly edges: Float64Array;
  /** Red, green and blue of each piece. */
  readonly colours: Float64Array;
  /** Their integrals from 0 to each edge. */
  readonly sums: Float64Array;
}

/**
 * Gradients and stripes: each pixel is the mean of the wave over the length of it that the pixel covers, so that edges are
 * soft by a pixel and narrow waves fade into their mean rather than into false ones.
 *
 * @returns paints a part of the lattice's upright domain, RGBA
 */
export function waveRows(ground: Waved, { lattice: { domain } }: PixelGrid): (part: Box) => Uint8ClampedArray {
  const wave = waveOf(ground);
  const stepX = ground.waves.across / domain.width;
  const stepY = ground.waves.down / domain.height;
  const nearest = ground.mixing === 'nearest';
  const footprint = nearest ? 0 : Math.abs(stepX) + Math.abs(stepY);
  const means = ground.kind === 'gradient' && !nearest ? meansOf(wave, footprint) : undefined;
  return (part) => {
    const width = part.right - part.left;
    const height = part.bottom - part.top;
    const out = new Uint8ClampedArray(4 * width * height);
    const mean = new Float64Array(3);
    for (let y = 0; y < height; y++) {
      const row = 4 * y * width;
      if (y > 0 && stepY === 0) {
        out.copyWithin(row, 0, 4 * width);
        continue;
      }
      for (let x = 0; x < width; x++) {
        const at = row + 4 * x;
        if (x > 0 && stepX === 0) {
          out.copyWithin(at, row, row + 4);
          continue;
        }
        const phase = (part.left + x + 0.5) * stepX + (part.top + y + 0.5) * stepY;
        const rest = phase - Math.floor(phase);
        out[at + 3] = 255;
        if (means) {
          // Just below a whole phase, the rest can round up to 1.
          const from = 3 * Math.min(PHASES - 1, Math.floor(rest * PHASES));
          for (let n = 0; n < 3; n++) out[at + n] = means[from + n] as number;
          continue;
        }
        meanOf(wave, rest, footprint, mean);
        for (let n = 0; n < 3; n++) out[at + n] = mean[n] as number;
      }
    }
    return out;
  };
}

/**
 * A gradient with 16 bits a channel.
 *
 * @returns writes `count` pixels from a place of the lattice's upright domain on, red, green and blue from 0 to 65535
 */
export function deepWave(
  ground: Waved,
  { lattice: { domain } }: PixelGrid,
): (x: number, y: number, count: number, out: Uint16Array) => void {
  const wave = waveOf(ground, DEEP_STEPS);
  const stepX = ground.waves.across / domain.width;
  const stepY = ground.waves.down / domain.height;
  const footprint = Math.abs(stepX) + Math.abs(stepY);
  const mean = new Float64Array(3);
  return (x, y, count, out) => {
    for (let pixel = 0; pixel < count; pixel++) {
      const phase = (x + pixel + 0.5) * stepX + (y + 0.5) * stepY;
      meanOf(wave, phase - Math.floor(phase), footprint, mean);
      for (let n = 0; n < 3; n++) out[3 * pixel + n] = Math.round(257 * Math.min(255, Math.max(0, mean[n] as number)));
    }
  };
}

/** What a fading wave's means are at so many phases; between neighbours they differ by less than 8 bits can tell. */
function meansOf(wave: Wave, length: number): Uint8ClampedArray {
  const means = new Uint8ClampedArray(3 * PHASES);
  const mean = new Float64Array(3);
  for (let n = 0; n < PHASES; n++) {
    meanOf(wave, (n + 0.5) / PHASES, length, mean);
    means.set(mean, 3 * n);
  }
  return means;
}

/** The mean of the wave about a phase. @param length of the wave that is meant over, 0 for the colour at the phase */
function meanOf(wave: Wave, phase: number, length: number, into: Float64Array): void {
  if (length === 0) {
    const piece = pieceAt(wave, phase);
    for (let n = 0; n < 3; n++) into[n] = wave.colours[3 * piece + n] as number;
    return;
  }
  const [from, to] = [phase - length / 2, phase + length / 2];
  const [waveFrom, waveTo] = [Math.floor(from), Math.floor(to)];
  const [restFrom, restTo] = [from - waveFrom, to - waveTo];
  const [pieceFrom, pieceTo] = [pieceAt(wave, restFrom), pieceAt(wave, restTo)];
  const { edges, colours, sums } = wave;
  const whole = sums.length - 3;
  for (let n = 0; n < 3; n++) {
    const before =
      (sums[3 * pieceFrom + n] as number) +
      (restFrom - (edges[pieceFrom] as number)) * (colours[3 * pieceFrom + n] as number);
    const upTo =
      (sums[3 * pieceTo + n] as number) + (restTo - (edges[pieceTo] as number)) * (colours[3 * pieceTo + n] as number);
    into[n] = ((waveTo - waveFrom) * (sums[whole + n] as number) + upTo - before) / length;
  }
}

/** The piece that holds a phase, 0 up to 1. */
function pieceAt({ edges }: Wave, phase: number): number {
  let low = 0;
  let high = edges.length - 2;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((edges[middle] as number) <= phase) low = middle;
    else high = middle - 1;
  }
  return low;
}

function waveOf({ kind, stops, mixing }: Waved, steps = STEPS): Wave {
  const pieces =
    kind === 'stripes' ? bandsOf(stops) : mixing === 'nearest' ? halvesOf(stops) : fadesOf(stops, mixing, steps);
  const edges = new Float64Array(pieces.length + 1);
  const colours = new Float64Array(3 * pieces.length);
  const sums = new Float64Array(3 * pieces.length + 3);
  edges[pieces.length] = 1;
  for (const [n, { from }] of pieces.entries()) edges[n] = from;
  for (const [n, { colour }] of pieces.entries()) {
    colours.set(colour, 3 * n);
    const length = (edges[n + 1] as number) - (edges[n] as number);
    for (let c = 0; c < 3; c++)
      sums[3 * (n + 1) + c] = (sums[3 * n + c] as number) + length * (colours[3 * n + c] as number);
  }
  return { edges, colours, sums };
}

interface Piece {
  readonly from: number;
  readonly colour: Channels;
}

/** Every stop's colour up to the next; what lies before the first belongs to the last. */
function bandsOf(stops: WaveScene['stops']): Piece[] {
  const bands = stops.map(({ at, colour }) => ({ from: at, colour: channels(colour) }));
  const last = bands.at(-1);
  return last && (bands[0]?.from ?? 0) > 0 ? [{ ...last, from: 0 }, ...bands] : bands;
}

/** Every stop's colour up to the middle between it and the next. */
function halvesOf(stops: WaveScene['stops']): Piece[] {
  const middles = stops.map((stop, n) => {
    const before = stops[n - 1] ?? { at: (stops.at(-1)?.at ?? 1) - 1 };
    return { ...stop, at: (before.at + stop.at) / 2 };
  });
  // The middle between the last and the first may lie before 0, at the end of the wave before.
  const begins = middles.map(({ at, colour }) => ({ at: at < 0 ? at + 1 : at, colour }));
  return bandsOf(begins.sort((a, b) => a.at - b.at));
}

function fadesOf(stops: WaveScene['stops'], mixing: Waved['mixing'], steps: number): Piece[] {
  const legs = stops.map((stop, n) => {
    const next = stops[n + 1] ?? { at: (stops[0]?.at ?? 0) + 1, colour: (stops[0] ?? stop).colour };
    return { from: stop.at, length: next.at - stop.at, mix: mixer(stop.colour, next.colour, mixing) };
  });
  return Array.from({ length: steps }, (_, n) => {
    const middle = (n + 0.5) / steps;
    const leg = legs.findLast(({ from }) => from <= middle);
    // What lies before the first stop is the end of the leg from the last one.
    const { from, length, mix } = leg ?? {
      ...(legs.at(-1) as (typeof legs)[number]),
      from: (legs.at(-1)?.from ?? 0) - 1,
    };
    return { from: n / steps, colour: mix(length > 0 ? (middle - from) / length : 1) };
  });
}
