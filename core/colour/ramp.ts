import type { Color } from 'culori/fn';
import { colourDifference } from './spaces.ts';
import { hexOfOklch, intoSrgb, mostChroma, oklchOf, type Oklch } from './gamut.ts';
import type { Hex } from './hex.ts';

/** What a ramp leads along. */
export const RAMPS = ['lightness', 'warmth', 'chroma'] as const;
export type RampKind = (typeof RAMPS)[number];

/** The warmest and the coolest hue, degrees of OKLCH: orange and blue. */
const [WARMEST, COOLEST] = [60, 240];
/** How far a hue goes towards them at the most, degrees. */
const FARTHEST_HUE = 60;
/** The lightest and darkest of a ramp: near white and black, where hues can still be told apart. */
const [DARKEST, LIGHTEST] = [0.16, 0.97];
/** Points that a ramp is measured at. */
const FINE = 64;
/** How often the steps are evened out. */
const ROUNDS = 6;

/** Degrees from one hue to another, the short way. */
const hueTo = (from: number, to: number): number => ((((to - from) % 360) + 540) % 360) - 180;

type Way = (colour: Oklch, share: number) => Oklch;

/** Each from -1, by way of the colour itself at 0, to 1. */
const WAYS: { readonly [K in RampKind]: Way } = {
  lightness: (colour, share) => ({
    ...colour,
    l: share < 0 ? colour.l + share * (colour.l - DARKEST) : colour.l + share * (LIGHTEST - colour.l),
  }),
  warmth(colour, share) {
    const towards = hueTo(colour.h, share > 0 ? WARMEST : COOLEST);
    const turn = Math.sign(towards) * Math.min(FARTHEST_HUE, Math.abs(towards)) * Math.abs(share);
    return { ...colour, h: colour.h + turn };
  },
  chroma: (colour, share) => ({
    ...colour,
    c: share < 0 ? colour.c * (1 + share) : colour.c + share * (mostChroma(colour.l, colour.h) - colour.c),
  }),
};

/**
 * Colours that lead through a colour: from darker to lighter, cooler to warmer, or duller to stronger, in steps that look
 * equal (CIEDE2000), but for the strongest blues, where the edge of sRGB itself jumps.
 *
 * @param each colours on either side of it
 * @returns `2 × each + 1` colours, the one that was given in the middle; fewer differ where there is nowhere to go
 */
export function ramp(hex: Hex, kind: RampKind, each: number): readonly Hex[] {
  const colour = oklchOf(hex);
  const side = (sign: -1 | 1): Hex[] => evenSteps((share) => WAYS[kind](colour, sign * share), colour, each);
  return [...side(-1).reverse(), hex, ...side(1)];
}

/** So many steps that look equal along a way from a colour. */
function evenSteps(at: (share: number) => Oklch, from: Oklch, count: number): Hex[] {
  const lengths = [0];
  // Measured before rounding: near black, 8 bits leave jumps that would hide where a step ends.
  let before = intoSrgb(from);
  for (let n = 1; n <= FINE; n++) {
    const next = intoSrgb(at(n / FINE));
    lengths.push((lengths[n - 1] as number) + colourDifference(before, next));
    before = next;
  }
  const whole = lengths[FINE] as number;
  const shareAt = (target: number): number => {
    const n = Math.max(
      1,
      lengths.findIndex((length) => length >= target - 1e-9),
    );
    const [low, high] = [lengths[n - 1] as number, lengths[n] as number];
    return (n - 1 + (high > low ? (target - low) / (high - low) : 1)) / FINE;
  };
  // Steps along a bent way are unequal as the eye compares them, end to end: those that look short are made longer.
  let pieces = Array<number>(count).fill(whole / count);
  for (let round = 0; round < ROUNDS; round++) {
    const chords = chordsOf([from, ...endsOf(pieces).map((end) => at(shareAt(end)))]);
    const mean = chords.reduce((sum, chord) => sum + chord, 0) / count;
    const wanted = pieces.map((piece, n) => piece * (mean / Math.max(chords[n] as number, mean / 4)));
    const sum = wanted.reduce((total, piece) => total + piece, 0);
    if (!(sum > 0)) break;
    pieces = wanted.map((piece) => (piece * whole) / sum);
  }
  return endsOf(pieces).map((end) => hexOfOklch(at(shareAt(end))));
}

/** Where each of a row of lengths ends. */
function endsOf(pieces: readonly number[]): number[] {
  let end = 0;
  return pieces.map((piece) => (end += piece));
}

/** How different each colour looks from the one before. */
function chordsOf(colours: readonly Oklch[]): number[] {
  const shown = colours.map(intoSrgb);
  return shown.slice(1).map((colour, n) => colourDifference(shown[n] as Color, colour));
}
