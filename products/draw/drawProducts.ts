// Draws the products that ship: an SVG and the JSON beside it for each.
import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
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

const FOLDER = new URL('../', import.meta.url);
const PRODUCTS = [
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

const options = await resolveConfig(new URL('package.json', new URL('../../', import.meta.url)).pathname);
for (const draw of PRODUCTS) {
  const scene = draw();
  const { id } = scene.about;
  writeFileSync(new URL(`${id}.svg`, FOLDER), scene.svg());
  writeFileSync(
    new URL(`${id}.json`, FOLDER),
    await format(JSON.stringify(scene.product()), { ...options, parser: 'json' }),
  );
}
