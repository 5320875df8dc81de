import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { onCushion, useTryOnStudio } from '../testing/tryOnStudio.ts';
import { dressedStrips } from './dressedStrips.ts';
import { AT_A_TIME } from './paintTryOn.ts';
import { prepareDressing } from './prepareDressing.ts';
import { tryOnTask } from './tryOnWork.ts';

const { spirals, create, exported } = useTryOnStudio();

// In a file of its own: it paints on this thread, on which the server runs, and connections that are kept would be closed meanwhile.
describe('a large try-on', () => {
  it('is the same picture painted on threads as on one, and nearly so in one go', { timeout: 120_000 }, async () => {
    const design = await spirals.create();
    const id = await create(onCushion({ design: design.id }));
    const { file } = await exported([id], 'png', 2400);
    const { data, info } = await sharp(file, { ignoreIcc: true })
      .ensureAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const { width, height } = info;
    // Large enough for threads.
    expect(width * height).toBeGreaterThan(4e6);
    const wish = { format: 'png', side: 2400 } as const;
    const task = await tryOnTask(spirals.hevrel.studio, id, wish);
    const paint = await dressedStrips(await prepareDressing({ ...task, wish }));
    const strips: Uint8Array[] = [];
    const rows = Math.floor(AT_A_TIME / width);
    for (let top = 0; top < height; top += rows)
      strips.push(await paint({ left: 0, top, right: width, bottom: Math.min(height, top + rows) }));
    expect(Buffer.compare(data, Buffer.concat(strips))).toBe(0);
    // The engine rounds soft shadows otherwise where they begin elsewhere: by no more than anyone sees.
    const whole = await paint({ left: 0, top: 0, right: width, bottom: height });
    let most = 0;
    data.forEach((level, n) => (most = Math.max(most, Math.abs(level - (whole[n] as number)))));
    expect(most).toBeLessThanOrEqual(3);
  });
});
