import type { Design } from '../../core/document/design.ts';
import { picturesOf, type Artwork } from '../../core/motif/artwork.ts';
import type { Motif } from '../../core/motif/motif.ts';
import { sceneOf, type DrawnMotif, type Scene } from '../../core/paint/scene.ts';
import type { Picture } from '../../core/paint/picture.ts';
import type { CanvasBackend } from '../../core/paint/canvasBackend.ts';
import type { Blobs } from '../store/blobs.ts';
import { nodeBackend, nodePicture } from './nodeBackend.ts';

/** The scene of a design with all that the painter needs to have at hand. */
export async function loadScene(
  design: Design,
  motifs: readonly Motif[],
  blobs: Blobs,
): Promise<{ scene: Scene; easel: CanvasBackend }> {
  const used = new Set(design.placements.map(({ motif }) => motif));
  const drawn = new Map<string, DrawnMotif>();
  const pictures = new Map<string, Picture>();
  for (const motif of motifs) {
    if (!used.has(motif.id)) continue;
    const artwork = await blobs.readJson<Artwork>(motif.artwork);
    drawn.set(motif.id, { motif, artwork });
    for (const blob of picturesOf(artwork))
      if (!pictures.has(blob)) pictures.set(blob, await nodePicture(await blobs.read(blob)));
  }
  return { scene: sceneOf(design, drawn), easel: nodeBackend(pictures) };
}
