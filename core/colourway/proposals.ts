import { assign, type Hex, type Oklch, oklchOf } from '../colour/index.ts';
import { seeded } from '../random/index.ts';
import type { Proposal, ProposedInk } from './propose.ts';

/** Degrees from one hue to another, the short way. */
const hueTo = (from: number, to: number): number => ((((to - from) % 360) + 540) % 360) - 180;

/** The mean hue, each ink counted by its chroma. */
function mainHue(inks: readonly ProposedInk[]): number {
  const sum = (of: (radians: number) => number): number =>
    inks.reduce((sum, { c, h }) => sum + c * of((h * Math.PI) / 180), 0);
  return (Math.atan2(sum(Math.sin), sum(Math.cos)) * 180) / Math.PI;
}

const each =
  (change: (ink: ProposedInk, inks: readonly ProposedInk[]) => Oklch): Proposal =>
  (inks) =>
    inks.map((ink) => change(ink, inks));

/** All hues turned by so many degrees. */
export const turnHues = (degrees: number): Proposal => each(({ l, c, h }) => ({ l, c, h: h + degrees }));

/** How a whole colourway feels. */
export const MOODS = ['muted', 'deep', 'pale', 'warm', 'cool'] as const;
export type Mood = (typeof MOODS)[number];

/** How much of a hue is mixed in, as chroma: straight through grey, since turning a hue would lead by others. */
const TINT = 0.045;

function tint({ l, c, h }: Oklch, hue: number): Oklch {
  const radians = (degrees: number): number => (degrees * Math.PI) / 180;
  const a = c * Math.cos(radians(h)) + TINT * Math.cos(radians(hue));
  const b = c * Math.sin(radians(h)) + TINT * Math.sin(radians(hue));
  return { l, c: Math.hypot(a, b), h: (Math.atan2(b, a) * 180) / Math.PI };
}

const MOOD_OF: { readonly [K in Mood]: Proposal } = {
  muted: each(({ l, c, h }) => ({ l: l + 0.1 * (0.65 - l), c: 0.4 * c, h })),
  // The middle most, so that a light ground stays one.
  deep: each(({ l, c, h }) => ({ l: l - 0.45 * l * (1 - l), c: 1.15 * c, h })),
  pale: each(({ l, c, h }) => ({ l: 1 - 0.42 * (1 - l), c: 0.6 * c, h })),
  warm: each((ink) => tint(ink, 65)),
  cool: each((ink) => tint(ink, 245)),
};
export const setMood = (mood: Mood): Proposal => MOOD_OF[mood];

/** Every hue drawn near the main one or the one across from it, whichever is nearer. */
export const makeComplementary: Proposal = each(({ l, c, h }, inks) => {
  const main = mainHue(inks);
  const from = hueTo(main, h);
  const axis = Math.abs(from) <= 90 ? main : main + 180;
  return { l, c, h: axis + 0.2 * hueTo(axis, h) };
});

/** Every hue drawn near the main one. */
export const makeAnalogous: Proposal = each(({ l, c, h }, inks) => {
  const main = mainHue(inks);
  return { l, c, h: main + 0.22 * hueTo(main, h) };
});

/** The motifs stay clear of the ground by so much lightness. */
const CLEAR = 0.2;
const [DARK, LIGHT] = [0.24, 0.97];
/** Of a ground that was exchanged, as chroma: a dark one is not black, a light one hardly tinted. */
const [DEEP_CHROMA, PALE_CHROMA] = [0.045, 0.025];

/** A dark ground for a light one or the other way round; the others keep their order beside it. */
export const exchangeGround: Proposal = (inks) => {
  const ground = inks.find(({ isGround }) => isGround);
  if (!ground) return inks;
  const l = Math.min(LIGHT, Math.max(DARK, 1.08 - ground.l));
  const others = inks.filter(({ isGround }) => !isGround).sort((a, b) => a.l - b.l);
  const [least = 0, most = 1] = [others[0]?.l, others.at(-1)?.l];
  // A dark ground takes its hue from the darkest ink, since a dark cream is mud.
  const exchanged =
    l < 0.5
      ? { l, c: DEEP_CHROMA, h: others[0]?.h ?? ground.h }
      : { l, c: Math.min(PALE_CHROMA, ground.c), h: ground.h };
  const [low, high] = l < 0.5 ? [l + CLEAR, Math.max(LIGHT, l + CLEAR)] : [Math.min(DARK, l - CLEAR), l - CLEAR];
  return inks.map((ink) => {
    if (ink.isGround) return exchanged;
    const share = most > least ? (ink.l - least) / (most - least) : 0.5;
    // Only those that would drown in the new ground have to move.
    return {
      ...ink,
      l: l < 0.5 ? Math.max(ink.l, low + share * (high - low) * 0.9) : Math.min(ink.l, low + share * (high - low)),
    };
  });
};
/** Whether an ink may leave the order of lightness when the ground is exchanged. */
export const isExchanged = ({ isGround }: ProposedInk): boolean => isGround;

/** Hues, chroma and lightness by chance, the same for the same seed. */
export const surprise =
  (seed: number): Proposal =>
  (inks) => {
    const random = seeded(seed);
    const first = 360 * random();
    const hues = Array.from({ length: 2 + Math.floor(3 * random()) }, () => first + 200 * random());
    return inks.map(({ l, c }) => ({
      l: l + 0.2 * (random() - 0.5),
      c: (0.03 + c) * (0.6 + 0.8 * random()),
      h: hues[Math.floor(hues.length * random())] as number,
    }));
  };

/** How much more a difference of lightness weighs than one of hue and chroma, squared. */
const LIGHTNESS_WEIGHT = 4;
/** What it costs to use a colour once more, where there are fewer colours than inks. */
const AGAIN = 0.02;

/**
 * Colours of a palette for the inks: the pairs that all together change least, by distance in OKLab with lightness
 * counted more; a colour is used twice only where there are more inks than colours.
 *
 * @param palette at least one colour
 */
export const takePalette =
  (palette: readonly Hex[]): Proposal =>
  (inks) => {
    const free = inks.filter(({ locked }) => !locked);
    if (palette.length === 0 || free.length === 0) return inks;
    const colours = palette.map(oklchOf);
    const rounds = Math.ceil(free.length / colours.length);
    const costs = free.map((ink) =>
      Array.from({ length: rounds }, (_, round) =>
        colours.map((colour) => distance(ink, colour) + AGAIN * round),
      ).flat(),
    );
    const columns = assign(costs);
    const taken = new Map(free.map(({ id }, n) => [id, colours[(columns[n] as number) % colours.length] as Oklch]));
    return inks.map((ink) => taken.get(ink.id) ?? ink);
  };

function distance(a: Oklch, b: Oklch): number {
  const planar = a.c ** 2 + b.c ** 2 - 2 * a.c * b.c * Math.cos(((a.h - b.h) * Math.PI) / 180);
  return LIGHTNESS_WEIGHT * (a.l - b.l) ** 2 + planar;
}
