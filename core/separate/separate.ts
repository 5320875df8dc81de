import { oklchOf } from '../colour/index.ts';
import { MM_PER_INCH } from '../units/index.ts';
import { flattenPlates } from './flattenPlates.ts';
import { measurePlates, type PlateFacts } from './measurePlates.ts';
import { paintingAlpha, paintingPlate, type PlateSource } from './paintPlate.ts';
import { type PlateInk, plateInks } from './plateInks.ts';
import type { Screen } from './screenPlate.ts';
import type { SeparationOrder } from './separationOrder.ts';
import { spreadUnder } from './trap.ts';

/** A design taken apart into plates. */
export interface Separation {
  readonly width: number;
  readonly height: number;
  /** In printing order. */
  readonly inks: readonly PlateInk[];
  /** How much of each pixel of the tile each of them prints, 0 to 255; 0 or 255 unless they are grey. */
  readonly plates: readonly Uint8Array[];
  readonly facts: PlateFacts;
}

/**
 * Takes the tile of a design apart into plates.
 *
 * @param source with the whole tile for its window
 * @yields the share done, 0 to 1
 */
export function* separating(source: PlateSource, order: SeparationOrder): Generator<number, Separation> {
  const { design, motifs, colourway, window, grid } = source;
  const width = window.right - window.left;
  const height = window.bottom - window.top;
  const inks = plateInks(design, motifs, order, colourway);
  const seen: Uint8Array[] = [];
  const paintings = [paintingAlpha(source), ...inks.map(({ id }) => paintingPlate(id, source))];
  for (const painting of paintings) {
    const before = seen.length;
    let step = painting.next();
    for (; !step.done; step = painting.next()) yield (PAINTING * (before + step.value)) / paintings.length;
    seen.push(step.value);
  }
  const painted = seen.shift() as Uint8Array;
  const trapped = trapPlates(seen, inks, width, height, order.trap * grid.scaleX);
  yield TRAPPED;
  const planned = order.trap > 0 ? differing(seen, trapped, width * height) : undefined;
  const pitch = (grid.scaleX * MM_PER_INCH) / order.lpi;
  const screenOf = ({ angle }: PlateInk): Screen | undefined =>
    order.depth === 'flat' ? undefined : { shape: order.shape, pitch, angle };
  const plates =
    order.depth === 'grey'
      ? trapped
      : flattenPlates(
          inks.map((ink, n) => ({ shades: seen[n] as Uint8Array, screen: screenOf(ink) })),
          width,
          height,
        ).map((flat, n) => withTrap(flat, seen[n] as Uint8Array, trapped[n] as Uint8Array));
  const facts = measurePlates(trapped, painted, order.inkLimit / 100, planned);
  return { width, height, inks, plates, facts };
}

/** Shares of the whole work. */
const PAINTING = 0.8;
const TRAPPED = 0.9;

/** A plate that prints a pixel or does not, where its trap reaches too. */
function withTrap(flat: Uint8Array, before: Uint8Array, after: Uint8Array): Uint8Array {
  if (before === after) return flat;
  return flat.map((own, at) => {
    const reach = after[at] as number;
    return own === 0 && reach >= 128 && reach > (before[at] as number) ? 255 : own;
  });
}

function trapPlates(
  plates: readonly Uint8Array[],
  inks: readonly PlateInk[],
  width: number,
  height: number,
  radius: number,
): readonly Uint8Array[] {
  if (radius <= 0) return plates;
  const darkestFirst = inks.map((_, n) => n).sort((a, b) => lightness(inks[a]) - lightness(inks[b]));
  const darker = new Uint8Array(width * height);
  const trapped = [...plates];
  for (const n of darkestFirst) {
    const own = plates[n] as Uint8Array;
    trapped[n] = spreadUnder(own, darker, width, height, radius);
    for (let at = 0; at < own.length; at++) darker[at] = Math.min(255, (darker[at] as number) + (own[at] as number));
  }
  return trapped;
}

const lightness = (ink: PlateInk | undefined): number => (ink ? oklchOf(ink.colour).l : 0);

function differing(before: readonly Uint8Array[], after: readonly Uint8Array[], count: number): Uint8Array {
  const changed = new Uint8Array(count);
  for (const [n, plate] of after.entries())
    for (let at = 0; at < count; at++) if (plate[at] !== before[n]?.[at]) changed[at] = 1;
  return changed;
}
