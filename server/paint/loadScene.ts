import type { Hex } from '../../core/colour/index.ts';
import type { Design } from '../../core/document/index.ts';
import { type Artwork, type DrawnMotif, type Motif, picturesOf } from '../../core/motif/index.ts';
import { type CanvasBackend, type Picture, type Scene, sceneOf } from '../../core/paint/index.ts';
import type { Blobs } from '../store/blobs.ts';
import { readArtwork } from '../store/keptArtwork.ts';
import { nodeBackend, nodePicture } from './nodeBackend.ts';

/** The scene of a design with all that the painter needs to have at hand. */
export async function loadScene(
  design: Design,
  motifs: readonly Motif[],
  blobs: Blobs,
): Promise<{ scene: Scene; backend: CanvasBackend; picturePixels: number }> {
  const used = new Set(design.placements.map(({ motif }) => motif));
  const drawn = new Map<string, DrawnMotif>();
  const pictures = new Map<string, Picture>();
  for (const motif of motifs) {
    if (!used.has(motif.id)) continue;
    const artwork = await readArtwork(blobs, motif.artwork);
    drawn.set(motif.id, { motif, artwork });
    for (const blob of picturesOf(artwork))
      if (!pictures.has(blob)) pictures.set(blob, await nodePicture(await blobs.read(blob)));
  }
  const picturePixels = [...pictures.values()].reduce((sum, { width, height }) => sum + width * height, 0);
  return { scene: sceneOf(design, drawn), backend: nodeBackend(pictures), picturePixels };
}

/** A backend with the pictures of artworks at hand. */
export async function backendFor(artworks: readonly Artwork[], blobs: Blobs): Promise<CanvasBackend> {
  const pictures = new Map<string, Picture>();
  for (const blob of new Set(artworks.flatMap((artwork) => picturesOf(artwork))))
    pictures.set(blob, await nodePicture(await blobs.read(blob)));
  return nodeBackend(pictures);
}

/** The scene on a colour where it has no ground of its own. */
export function onBackdrop(scene: Scene, backdrop: Hex | undefined): Scene {
  return scene.ground || !backdrop ? scene : { ...scene, ground: { kind: 'flat', colour: backdrop } };
}
