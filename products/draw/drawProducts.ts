// Draws the products that ship: an SVG and the JSON beside it for each.
import { writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';
import { PRODUCTS } from './products.ts';

const FOLDER = new URL('../', import.meta.url);
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
