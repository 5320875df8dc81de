import { expect, it } from 'vitest';
import { openRecipe } from '../../core/recipe/index.ts';
import { openStudio } from '../studio.ts';
import { emptyFolder } from '../testing/emptyFolder.ts';
import { removeFolder } from '../testing/folders.ts';

const PIECE = { figure: 'dot', values: {}, text: '', font: 'logbook', x: 0, y: 0, rotation: 0, combine: 'lay' };
const FADES = { ...PIECE, outline: null, fill: { ink: '#3e7a5e', fade: { angle: 45, rest: 0.25 } } };
const PLAIN = { ...PIECE, outline: null, fill: { ink: '#b3402e', fade: null } };
const RECIPE = { kind: 'shape', pieces: [PLAIN, FADES, { ...PLAIN, fill: null }] };

it('gives fades that were kept before they had stops the same stops as a file of that time gets', async () => {
  const data = emptyFolder();
  const before = await openStudio(data);
  const address = `${'0'.repeat(64)}.json`;
  await before.database.query(
    `INSERT INTO motifs (id, name, collection, width, artwork, view, inks, source, thumbnail, recipe)
     VALUES ('glow', 'Glow', 'Made', 10, $1, '{}', '[]', $1, $1, $2)`,
    [address, JSON.stringify(RECIPE)],
  );
  await before.database.query(`DELETE FROM migrations WHERE name = '013-fade-stops.sql'`);
  await before.close();
  const after = await openStudio(data);
  const { rows } = await after.database.query<{ recipe: unknown }>(`SELECT recipe FROM motifs WHERE id = 'glow'`);
  await after.close();
  removeFolder(data);
  expect(rows[0]?.recipe).toEqual(openRecipe(RECIPE));
  expect(JSON.stringify(rows[0]?.recipe)).toContain('"stops"');
});
