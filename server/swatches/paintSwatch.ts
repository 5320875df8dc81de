import { paintFile } from '../paint/paintFile.ts';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import type { NewVersion } from '../store/swatches.ts';
import { exportPlan, tileOrder } from '../../core/export/index.ts';
import { exportTask } from '../paint/exportTask.ts';
import { smallPicture } from '../paint/designPicture.ts';
import type { JobContext } from '../store/jobs.ts';
import type { Studio } from '../studio.ts';

/** Enough for a full screen and for a proof; the printer's file is painted anew from the design. */
const TILE_DPI = 150;
/** Large tile are kept at a lower density, down to this many pixels a side. */
const LONGEST_TILE = 6000;

/** Renders the tile and the small picture of a swatch. */
export async function paintSwatch(
  studio: Studio,
  version: Omit<NewVersion, 'tile' | 'thumbnail' | 'tileWidth' | 'tileHeight'>,
  context?: JobContext,
): Promise<NewVersion> {
  const { design, motifs } = version;
  const { tile: fit } = exportPlan(design.repeat, tileOrder({ kind: 'density', dpi: TILE_DPI })).grid;
  const dpi = TILE_DPI * Math.min(1, LONGEST_TILE / Math.max(fit.width, fit.height));
  const file = join(studio.exports, `${nanoid()}.png`);
  const { width, height } = await paintFile(
    studio.pool,
    exportTask({ design, motifs, order: tileOrder({ kind: 'density', dpi }), blobs: studio.blobs.folder, file }),
    context,
  );
  const tile = studio.blobs.keep(readFileSync(file), 'png');
  rmSync(file);
  return {
    ...version,
    tile,
    thumbnail: await smallPicture(studio, design, motifs),
    tileWidth: width,
    tileHeight: height,
  };
}
