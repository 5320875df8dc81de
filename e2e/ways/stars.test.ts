import { readFileSync } from 'node:fs';
import sharp from 'sharp';
import { expect, it } from 'vitest';
import { useStudio } from '../support/studio.ts';
import { beginSquare, buildFigure, useWalk } from '../support/walk.ts';

const page = useStudio({ samples: true });
const walk = useWalk(page, 'three by three stars, transparent');
const SEA = [0x1f, 0x7a, 0x8c] as const;

/*
 * 1. New design. 2. Square. 3. Create. 4. New motif. 5. Build a shape. 6. Star. 7. Create motif.
 * 8. Several copies. 9. Grid. 10. Spread over the cell. 11. Apply. 12. Colour. 13. Its ink. 14. Another colour. 15. No ground.
 * 16. Export. 17. A page. 18. A screen. 19. Export.
 */
it('three by three stars are recoloured at once, and go onto a screen with nothing behind them', async () => {
  await beginSquare(page, walk);
  await buildFigure(page, walk, 'Star');
  await walk.press('button', 'Several copies …');
  await walk.press('radio', 'Grid');
  await walk.tick('Spread evenly over the cell');
  await walk.press('button', 'Apply');
  await walk.press('button', 'Colour');
  await walk.press('button', 'Change the ink Dark blue');
  await walk.type('Hex', '#1f7a8c');
  await walk.choose('Kind of ground', 'None');
  await walk.press('button', 'Export');
  await walk.press('radio', 'Page or length');
  await walk.choose('Page', '1920 × 1080 px');
  expect(await (await page.find('[data-plan]')).getText()).toContain('PNG, 1920 × 1080 px');
  await walk.confirm('Export PNG');

  const { data, info } = await sharp(readFileSync(await page.downloaded('.png')))
    .raw()
    .toBuffer({ resolveWithObject: true });
  expect([info.width, info.height, info.channels]).toEqual([1920, 1080, 4]);
  /** What lies at a pixel: the stars' colour, nothing, or the edge of a star. */
  const at = (x: number, y: number): 'star' | 'nothing' | 'edge' | 'other' => {
    const o = 4 * (1920 * y + x);
    if (data[o + 3] === 0) return 'nothing';
    if (data[o + 3] !== 255) return 'edge';
    return SEA.every((value, c) => data[o + c] === value) ? 'star' : 'other';
  };
  const counts = { star: 0, nothing: 0, edge: 0, other: 0 };
  for (let y = 0; y < 1080; y += 1) for (let x = 0; x < 1920; x += 1) counts[at(x, y)] += 1;
  // Every star has the new colour, and nothing lies between them.
  expect(counts.other).toBe(0);
  expect(counts.nothing).toBeGreaterThan(counts.star);
  expect(counts.edge).toBeLessThan(counts.star / 10);
  // Stars lie 80 mm apart from 40 mm on, at 96 pixels to the inch; the last of a row is cut by the edge.
  const middles = (length: number): number[] =>
    Array.from({ length }, (_, n) => Math.round(((40 + 80 * n) * 96) / 25.4));
  const onRow = middles(6).map((x) => at(x, middles(1)[0] as number));
  const onColumn = middles(4).map((y) => at(middles(1)[0] as number, y));
  expect([...onRow, ...onColumn]).toEqual(Array.from({ length: 10 }, () => 'star'));
  expect(at((middles(2)[1] as number) - 151, middles(1)[0] as number)).toBe('nothing');
});
