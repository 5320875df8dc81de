import { loadImage, Path2D, type SKRSContext2D } from '@napi-rs/canvas';
import sharp from 'sharp';
import { tracePath } from '../../core/motif/index.ts';
import { outlineLine } from '../../core/shapes/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { nodeSurface } from '../paint/nodeBackend.ts';
import { sheetFont } from './sheetFonts.ts';
import { cutToWidth, type SheetSurface } from './sheetSurface.ts';

const INK = '#1f2430';

/** A sheet as one picture. @param dpi of the picture */
export function pngSheet(dpi: number): SheetSurface {
  const scale = dpi / MM_PER_INCH;
  const surface = nodeSurface(1, 1);
  const context = (): SKRSContext2D => surface.canvas.getContext('2d');
  const [regular, bold] = [sheetFont('regular'), sheetFont('bold')];
  return {
    page(width, height) {
      surface.resize(Math.round(width * scale), Math.round(height * scale));
      context().fillStyle = '#ffffff';
      context().fillRect(0, 0, surface.canvas.width, surface.canvas.height);
    },
    async picture(png, { left, top, right, bottom }) {
      const image = await loadImage(png);
      context().drawImage(image, left * scale, top * scale, (right - left) * scale, (bottom - top) * scale);
    },
    words(text, x, y, { size, bold: isBold, most }) {
      const font = isBold ? bold : regular;
      const pixels = size * scale;
      const cut = cutToWidth(text, most * scale, (part) => outlineLine(font, part, pixels).width);
      context().fillStyle = INK;
      context().save();
      context().translate(x * scale, y * scale);
      const letters = new Path2D();
      tracePath(outlineLine(font, cut, pixels).path, letters);
      context().fill(letters);
      context().restore();
    },
    dot(colour, x, y, radius) {
      context().beginPath();
      context().arc(x * scale, y * scale, radius * scale, 0, 2 * Math.PI);
      context().fillStyle = colour;
      context().fill();
      context().strokeStyle = `${INK}55`;
      context().lineWidth = 0.1 * scale;
      context().stroke();
    },
    finish: () =>
      sharp(surface.canvas.data(), {
        raw: { width: surface.canvas.width, height: surface.canvas.height, channels: 4 },
      })
        .removeAlpha()
        .withMetadata({ density: dpi })
        .png()
        .toBuffer(),
  };
}
