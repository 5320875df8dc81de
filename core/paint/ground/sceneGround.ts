import { type Hex, shadeOf } from '../../colour/index.ts';
import {
  colourwayOf,
  type CheckedGround,
  type Design,
  type TexturedGround,
  type WaveGround,
} from '../../document/index.ts';
import { closingWaves, type Waves } from '../../lattice/index.ts';
import type { Mixing } from '../../recolour/index.ts';

/** Inks along waves that close on the lattice, in the colours of a colourway. */
export interface WaveScene {
  readonly kind: WaveGround['kind'];
  readonly stops: readonly { readonly colour: Hex; readonly at: number }[];
  /** Over the lattice's upright domain. */
  readonly waves: Waves;
}

export interface CheckedScene extends Pick<CheckedGround, 'kind' | 'share' | 'crossing'> {
  readonly colours: readonly [Hex, Hex];
  /** Over the width of the lattice's upright domain, and over its height. */
  readonly across: Waves;
  readonly down: Waves;
}

export interface TexturedScene extends Pick<TexturedGround, 'kind' | 'texture' | 'scale' | 'strength' | 'seed'> {
  /** Of the ground and of its marks. */
  readonly colours: readonly [Hex, Hex];
}

/** A ground of more than one colour, ready to be painted at any scale. */
export type PatternedScene = (WaveScene | CheckedScene | TexturedScene) & { readonly mixing: Mixing };

/** What is painted behind everything: one colour, or a pattern. */
export type SceneGround = { readonly kind: 'flat'; readonly colour: Hex } | PatternedScene;

/** The ground of a design in a colourway, or undefined for none. @param mixing how colours between two inks come about */
export function sceneGround(design: Design, colourway?: string, mixing: Mixing = 'eye'): SceneGround | undefined {
  const { ground, repeat } = design;
  const { colours } = colourwayOf(design, colourway);
  // Every colourway has all inks of its design.
  const colourOf = (ink: string): Hex => colours[ink] as Hex;
  switch (ground.kind) {
    case 'none':
      return undefined;
    case 'flat':
      return { kind: 'flat', colour: colourOf(ground.ink) };
    case 'gradient':
    case 'stripes': {
      const { kind, across, down } = ground;
      const stops = ground.stops.map(({ ink, at }) => ({ colour: colourOf(ink), at }));
      return { kind, stops, waves: closingWaves(repeat, { across, down }).waves, mixing };
    }
    case 'checks': {
      const { kind, share, crossing } = ground;
      return {
        kind,
        share,
        crossing,
        colours: [colourOf(ground.inks[0] as string), colourOf(ground.inks[1] as string)],
        across: closingWaves(repeat, { across: ground.across, down: 0 }).waves,
        down: closingWaves(repeat, { across: 0, down: ground.down }).waves,
        mixing,
      };
    }
    case 'texture': {
      const { kind, texture, scale, strength, seed } = ground;
      const [first, second] = ground.inks;
      const colour = colourOf(first as string);
      // While inks are told apart, a shade of one is that one.
      const marks = second !== undefined ? colourOf(second) : mixing === 'eye' ? shadeOf(colour) : colour;
      return { kind, texture, scale, strength, seed, colours: [colour, marks], mixing };
    }
  }
}
