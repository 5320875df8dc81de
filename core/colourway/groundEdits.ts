import { type Hex, shadeOf } from '../colour/index.ts';
import { type Command, type Design, type Ground, type Ink, inksOfGround, NO_GROUND } from '../document/index.ts';

/** The kinds of ground, the plainest first. */
export const GROUND_KINDS = ['none', 'flat', 'gradient', 'stripes', 'checks', 'texture'] as const;
export type GroundKind = Ground['kind'];

/** What a gradient, stripes and checks begin with: so many waves over the cell. */
const WAVES = 4;

/** The ink that the ground has, had, or would have. */
export function groundInk({ ground, inks }: Design): Ink | undefined {
  const [printed] = inksOfGround(ground);
  return inks.find(({ id }) => id === (printed ?? 'ground')) ?? inks[0];
}

/**
 * Gives the ground's first ink a colour in a colourway; a design without a ground gets one.
 *
 * @returns undefined where that ink is locked, or there is none
 */
export function colourGround(design: Design, colourway: string, colour: Hex): Command | undefined {
  const ink = groundInk(design);
  if (!ink || ink.locked) return undefined;
  const coloured: Command = { type: 'colour', colourway, ink: ink.id, colour };
  if (design.ground.kind !== 'none') return coloured;
  return { type: 'all', commands: [coloured, { type: 'ground', ground: { kind: 'flat', ink: ink.id } }] };
}

/** Adds an ink after all others, in one colour in every colourway. */
export function addInk(design: Design, ink: Pick<Ink, 'id' | 'name'>, colour: Hex): Command {
  const colours = Object.fromEntries(design.colourways.map(({ id }) => [id, colour]));
  return { type: 'insert-inks', inks: [{ index: design.inks.length, ink: { ...ink, prints: [] }, colours }] };
}

/**
 * Gives a design another kind of ground in the inks that its ground has. What needs a second ink and finds none gets a new
 * one, which is a shade of the first in every colourway.
 *
 * @param newInk the id and the name of an ink of a colour
 * @returns undefined where there is no ink to begin with
 */
export function changeGroundKind(
  design: Design,
  kind: GroundKind,
  newInk: (colour: Hex) => Pick<Ink, 'id' | 'name'>,
): Command | undefined {
  if (kind === 'none') return { type: 'ground', ground: NO_GROUND };
  const first = groundInk(design);
  if (!first) return undefined;
  const [, ...others] = inksOfGround(design.ground);
  if (kind === 'flat' || kind === 'texture')
    return { type: 'ground', ground: groundOf(kind, [first.id, ...others.slice(0, 1)]) };
  if (others.length > 0) return { type: 'ground', ground: groundOf(kind, [first.id, ...others]) };
  const shades = design.colourways.map(({ id, colours }) => [id, shadeOf(colours[first.id] as Hex)] as const);
  const ink: Ink = { ...newInk(shades[0]?.[1] as Hex), prints: [] };
  return {
    type: 'all',
    commands: [
      {
        type: 'insert-inks',
        inks: [{ index: design.inks.indexOf(first) + 1, ink, colours: Object.fromEntries(shades) }],
      },
      { type: 'ground', ground: groundOf(kind, [first.id, ink.id]) },
    ],
  };
}

function groundOf(kind: Exclude<GroundKind, 'none'>, inks: readonly string[]): Ground {
  const [first = '', second = first] = inks;
  switch (kind) {
    case 'flat':
      return { kind, ink: first };
    case 'gradient':
    case 'stripes':
      return {
        kind,
        stops: inks.map((ink, n) => ({ ink, at: n / inks.length })),
        across: kind === 'stripes' ? WAVES : 0,
        down: kind === 'stripes' ? 0 : 1,
      };
    case 'checks':
      return { kind, inks: [first, second], across: WAVES, down: WAVES, share: 0.5, crossing: 'woven' };
    case 'texture':
      return { kind, texture: 'linen', inks, scale: 1, strength: 0.5, seed: 1 };
  }
}
