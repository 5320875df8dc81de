import { type ConnectedComponents, labelComponents } from './connectedComponents.ts';
import type { PixelImage } from './pixelImage.ts';

/** Where anything is drawn. */
export function drawnMask({ width, height, data }: PixelImage): Uint8Array {
  const mask = new Uint8Array(width * height);
  for (let n = 0; n < mask.length; n += 1) mask[n] = data[n * 4 + 3] === 0 ? 0 : 1;
  return mask;
}

/** Takes away what hangs together in fewer than `least` pixels; changes the picture itself. */
export function removeSpecks(pixels: PixelImage, least: number): void {
  if (least <= 0) return;
  const { width, height, data } = pixels;
  const parts: ConnectedComponents = labelComponents(drawnMask(pixels), width, height, true);
  for (let n = 0; n < parts.row.length; n += 1) {
    if ((parts.areas[parts.part[n] as number] as number) >= least) continue;
    const start = (parts.row[n] as number) * width;
    data.fill(0, (start + (parts.from[n] as number)) * 4, (start + (parts.to[n] as number)) * 4);
  }
}
