/** Every kind of command but the composite, by its type. */
import { addInks } from './addInks.ts';
import { change } from './change.ts';
import { changeColourway } from './changeColourway.ts';
import { changeInks } from './changeInks.ts';
import { colour } from './colour.ts';
import { ground } from './ground.ts';
import { guides } from './guides.ts';
import { insert } from './insert.ts';
import { insertColourways } from './insertColourways.ts';
import { insertInks } from './insertInks.ts';
import { layers } from './layers.ts';
import { layout } from './layout.ts';
import { name } from './name.ts';
import { orderColourways } from './orderColourways.ts';
import { orderInks } from './orderInks.ts';
import { remove } from './remove.ts';
import { removeColourways } from './removeColourways.ts';
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
  'insert-inks': insertInks,
  'change-inks': changeInks,
  'order-inks': orderInks,
  colour,
  'insert-colourways': insertColourways,
  'remove-colourways': removeColourways,
  'change-colourway': changeColourway,
  'order-colourways': orderColourways,
  name,
};
