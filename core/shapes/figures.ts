import type { FigureKind } from '../recipe/index.ts';
import type { Figure } from './figure.ts';
import { blade } from './figures/blade.ts';
import { block } from './figures/block.ts';
import { cloud } from './figures/cloud.ts';
import { dot } from './figures/dot.ts';
import { drop } from './figures/drop.ts';
import { heart } from './figures/heart.ts';
import { leaf } from './figures/leaf.ts';
import { ogee } from './figures/ogee.ts';
import { pebble } from './figures/pebble.ts';
import { petals } from './figures/petals.ts';
import { polygon } from './figures/polygon.ts';
import { ring } from './figures/ring.ts';
import { scallop } from './figures/scallop.ts';
import { star } from './figures/star.ts';
import { wave } from './figures/wave.ts';
import { LETTERING } from './lettering.ts';

/** Every figure of the builder, in the order in which they are offered. */
export const FIGURES = {
  petals,
  leaf,
  blade,
  scallop,
  wave,
  pebble,
  drop,
  dot,
  ring,
  polygon,
  star,
  heart,
  cloud,
  block,
  ogee,
  lettering: LETTERING,
} as const satisfies Record<FigureKind, Figure>;
