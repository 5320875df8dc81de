import type { Design } from '../../core/document/index.ts';
import type { Box } from '../../core/geometry/index.ts';
import { pixelGrid } from '../../core/lattice/index.ts';
import { drawnById, type Motif } from '../../core/motif/index.ts';
import { paintPlane, sceneOf } from '../../core/paint/index.ts';
import { ArtworkStore } from '../../web/cloth/artworkStore.ts';
import { browserSurface } from '../../web/cloth/browserBackend.ts';

export interface PaintRequest {
  readonly design: Design;
  readonly motifs: readonly Motif[];
  readonly scale: number;
  readonly window: Box;
}

/** Paints with the browser's backend and returns the pixels, RGBA, as base64. */
export async function run({ design, motifs, scale, window: box }: PaintRequest): Promise<string> {
  const shelf = new ArtworkStore();
  const drawn = await Promise.all(motifs.map((motif) => shelf.fetch(motif)));
  const sheet = browserSurface(box.right - box.left, box.bottom - box.top);
  paintPlane(
    sheet.context,
    { scene: sceneOf(design, drawnById(drawn)), grid: pixelGrid(design.repeat, scale), window: box },
    shelf.backend,
  );
  const { data } = sheet.context.getImageData(0, 0, sheet.canvas.width, sheet.canvas.height);
  const parts: string[] = [];
  for (let i = 0; i < data.length; i += 0x8000) parts.push(String.fromCharCode(...data.subarray(i, i + 0x8000)));
  return btoa(parts.join(''));
}
