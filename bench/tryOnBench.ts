import { rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import {
  dress,
  type Dressing,
  dressRoughly,
  fillOf,
  newTryOn,
  paintTile,
  prepareStage,
  sceneSize,
  sourceKey,
  tileDensity,
} from '../core/tryon/index.ts';
import { SAMPLE_DESIGNS } from '../demo/samples.ts';
import { loadScene } from '../server/paint/loadScene.ts';
import { nodeBackend } from '../server/paint/nodeBackend.ts';
import { everyMotif } from '../server/store/motifs.ts';
import type { Studio } from '../server/studio.ts';
import { readProduct } from '../server/tryon/findProduct.ts';
import { paintTryOn } from '../server/tryon/paintTryOn.ts';
import { fastest, fastestAwaited } from './fastest.ts';

/** Times in ms. */
export interface TryOnTimings {
  /** Copying the pixels of a picture of the size that is dressed. */
  readonly copy: number;
  /** A frame while the hand moves, at half the size, and the picture in full once it rests. */
  readonly draft: number;
  readonly full: number;
  /** A file of 4,000 px, against painting its tile and encoding its pixels. */
  readonly file: number;
  readonly tile: number;
  readonly encode: number;
}

const [SIDE, FILE_SIDE] = [1067, 4000];

/** The room in perspective, papered with the densest sample. */
export async function tryOnTimings(studio: Studio): Promise<TryOnTimings> {
  const { product, drawing } = await readProduct(studio, 'room');
  const design = SAMPLE_DESIGNS.find(({ id }) => id === 'low-tide-strandline');
  if (!design) throw new Error('the sample is missing');
  const motifs = await everyMotif(studio.database);
  const { scene, backend } = await loadScene(design, motifs, studio.blobs);
  const tryOn = newTryOn('Room', product, { design: design.id });
  const pattern = paintTile(scene, design.repeat, tileDensity(design.repeat, 0.5), backend);
  const dressings = new Map(
    product.pieces.map(({ id }): [string, Dressing] => [id, { pattern, fill: fillOf(tryOn, id) }]),
  );
  const stage = (side: number) => {
    const { width, height, scale } = sceneSize(product, side);
    return prepareStage(product, drawing, { left: 0, top: 0, right: width, bottom: height }, scale, nodeBackend());
  };
  const [half, whole] = [stage(Math.round(SIDE / 2)), stage(SIDE)];
  const pixels = dress(whole, dressings);
  const file = join(tmpdir(), 'hevrel-bench-try-on.png');
  const patterns = [{ key: sourceKey(tryOn.source), state: '', design, motifs }];
  const wish = { format: 'png', side: FILE_SIDE } as const;
  const task = { kind: 'try-on', tryOn, product, drawing, patterns, wish } as const;
  const made = await fastestAwaited(() =>
    paintTryOn({ ...task, blobs: studio.blobs.folder, file }, { progress: () => undefined }),
  );
  const { data, info } = await sharp(file).raw().toBuffer({ resolveWithObject: true });
  rmSync(file);
  const density = tileDensity(design.repeat, (FILE_SIDE / SIDE) * 0.5);
  const encode = await fastestAwaited(() =>
    sharp(data, { raw: { width: info.width, height: info.height, channels: 3 } })
      .png({ compressionLevel: 6 })
      .toBuffer(),
  );
  return {
    copy: fastest(() => new Uint8ClampedArray(pixels)),
    draft: fastest(() => dressRoughly(half, dressings)),
    full: fastest(() => dress(whole, dressings)),
    file: made,
    encode,
    tile: fastest(() => paintTile(scene, design.repeat, density, backend), 3),
  };
}
