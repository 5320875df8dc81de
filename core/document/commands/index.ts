/** Every kind of command but the composite, by its type. */
import { addInks } from './addInks.ts';
import { change } from './change.ts';
import { colour } from './colour.ts';
import { ground } from './ground.ts';
import { guides } from './guides.ts';
import { insert } from './insert.ts';
import { layers } from './layers.ts';
import { layout } from './layout.ts';
import { name } from './name.ts';
import { remove } from './remove.ts';
import { removeInks } from './removeInks.ts';
import { repeat } from './repeat.ts';
import { toss } from './toss.ts';

export const COMMAND_KINDS = {
  insert,
  remove,
  change,
  repeat,
  layers,
  guides,
  toss,
  layout,
  ground,
  'add-inks': addInks,
  'remove-inks': removeInks,
  colour,
  name,
};
