import { asDrawn, type Design, newDesign } from '../core/document/index.ts';
import { step } from '../core/lattice/index.ts';
import { type Motif, silhouetteOf } from '../core/motif/index.ts';
import { paintArtwork } from '../core/paint/index.ts';
import type { TossRecipe } from '../core/recipe/index.ts';
import { coverWithCircles, mainInk, type Tossable, type TossedMotif, tossedPlacements } from '../core/toss/index.ts';
import { sampleMotifId } from '../demo/sampleDesign.ts';
import { loadScene } from '../server/paint/loadScene.ts';
import { nodeSurface, pixelsOf } from '../server/paint/nodeBackend.ts';
import type { Blobs } from '../server/store/blobs.ts';

export const TOSS_GAP = 3;
/** Pixels per mm of the paintings that are measured. */
export const PER_MM = 4;
/** mm; the cell's width and height. */
export const SIDE = 400;
const STEP = step('half-drop');
const RASTER = 160;
const HEROES = ['crab', 'whelk', 'reef-knot'];
const COMPANIONS = ['starfish', 'scallop', 'mussel', 'urchin', 'herring'];
const FILLERS = ['barnacle', 'limpet', 'flat-pebble', 'bubbles'];

/** A recipe of so many motifs, smaller the more there are; more than there is room for, so that what is placed tells. */
export function tossRecipe(count: number): TossRecipe {
  const size = 1.15 * Math.sqrt(40 / count);
  const entries = (names: readonly string[], role: 'hero' | 'companion' | 'filler', share: number) =>
    names.map((name) => ({
      motif: sampleMotifId(name),
      role,
      count: Math.round((count * share) / names.length),
      smallest: 0.7 * size,
      largest: size,
    }));
  return {
    entries: [
      ...entries(HEROES, 'hero', 0.15),
      ...entries(COMPANIONS, 'companion', 0.4),
      ...entries(FILLERS, 'filler', 0.45),
    ],
    directions: { kind: 'all' },
    flipped: true,
    gap: TOSS_GAP,
    ground: 0,
    seed: 7,
  };
}

/** The sample motifs as the toss sees them. */
export async function tossables(motifs: readonly Motif[], blobs: Blobs): Promise<Map<string, Tossable>> {
  const names = [...HEROES, ...COMPANIONS, ...FILLERS].map(sampleMotifId);
  const { scene, backend } = await loadScene(
    designOf(names.map((motif) => ({ motif, x: 0, y: 0, rotation: 0, scale: 1, flipped: false }))),
    motifs,
    blobs,
  );
  return new Map(
    [...scene.motifs].map(([id, { motif, artwork }]) => {
      const { view } = artwork;
      const scale = RASTER / Math.max(view.width, view.height);
      const [width, height] = [Math.round(view.width * scale), Math.round(view.height * scale)];
      const sheet = nodeSurface(width, height);
      paintArtwork(
        sheet.context,
        artwork.nodes,
        [
          width / view.width,
          0,
          0,
          height / view.height,
          (-view.x * width) / view.width,
          (-view.y * height) / view.height,
        ],
        { backend, resolve: asDrawn, width, height },
      );
      const pixels = pixelsOf(sheet);
      return [
        id,
        { rounds: coverWithCircles(silhouetteOf(pixels, width, height), motif), ink: mainInk(pixels, motif.inks) },
      ];
    }),
  );
}

/** A half-drop with what was tossed. */
export function designOf(laid: readonly TossedMotif[]): Design {
  return {
    ...newDesign('bench-toss', 'Tossed', { width: SIDE, height: SIDE, step: STEP }),
    placements: tossedPlacements(laid, 'main', (n) => `p${n}`),
  };
}
