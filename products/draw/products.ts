import { apron } from './apron.ts';
import { cushion } from './cushion.ts';
import { cutPieces } from './cutPieces.ts';
import { dress } from './dress.ts';
import { envelope } from './envelope.ts';
import { gameFloor } from './gameFloor.ts';
import { giftBox } from './giftBox.ts';
import { greetingCard } from './greetingCard.ts';
import { notebook } from './notebook.ts';
import { room } from './room.ts';
import { lampshade, mug } from './round.ts';
import { scarf } from './scarf.ts';
import { phoneBanner, wideBanner } from './screen.ts';
import { teaTowel } from './teaTowel.ts';
import { tote } from './tote.ts';
import { worn } from './worn.ts';
import type { Scene } from './scene.ts';

/** What draws each product. */
export const PRODUCTS: readonly (() => Scene)[] = [
  cushion,
  teaTowel,
  tote,
  apron,
  lampshade,
  mug,
  room,
  cutPieces,
  worn,
  dress,
  scarf,
  giftBox,
  greetingCard,
  envelope,
  notebook,
  phoneBanner,
  wideBanner,
  gameFloor,
];
