import { Resvg } from '@resvg/resvg-js';
import { expect, it } from 'vitest';
import { findTilt } from '../../core/scan/index.ts';
import { drawnOn, GLASS_MM, ORIGINALS, type Original } from './originals.ts';

/** A sheet as it lies on the glass, turned by degrees. */
function turned(original: Original, degrees: number) {
  const { width, height } = GLASS_MM;
  const drawing = drawnOn(original)
    .replace(/^[\s\S]*?<svg[^>]*>/, '')
    .replace(/<\/svg>\s*$/, '');
  const seen = new Resvg(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}"><rect width="${width}" height="${height}" fill="#f3ead5"/><g transform="rotate(${degrees} ${width / 2} ${height / 2})">${drawing}</g></svg>`,
    { fitTo: { mode: 'width', value: 900 }, font: { loadSystemFonts: false } },
  ).render();
  return { width: seen.width, height: seen.height, data: new Uint8ClampedArray(seen.pixels) };
}

it('a sheet of drawings is laid straight to a tenth of a degree', () => {
  for (const original of ORIGINALS)
    for (const tilt of [-6.4, -0.7, 0, 1.7])
      expect(Math.abs(findTilt(turned(original, tilt)) + tilt), `${original.name} at ${tilt}°`).toBeLessThan(0.1);
});
