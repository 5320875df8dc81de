import { paintFile } from '../paint/paintFile.ts';
import { rmSync } from 'node:fs';
import { removeUnfinished } from '../paint/unfinished.ts';
import { newDraft } from '../store/drafts.ts';
import type { NewVersion } from '../store/swatches.ts';
import { exportPlan, tileOrder } from '../../core/export/index.ts';
import { exportTask } from '../paint/exportTask.ts';
import { smallPicture } from '../paint/designPicture.ts';
import type { JobContext } from '../store/jobs.ts';
import type { Studio } from '../studio.ts';

/** Enough for a full screen and for a proof; the printer's file is painted anew from the design. */
const TILE_DPI = 150;
/** Large tiles are kept at a lower density, down to this many pixels a side. */
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
  const file = `${newDraft(studio.folder.drafts)}.png`;
  try {
    const { width, height } = await paintFile(
      studio.pool,
      exportTask({ design, motifs, order: tileOrder({ kind: 'density', dpi }), blobs: studio.blobs.folder, file }),
      context,
    );
    return {
      ...version,
      tile: await studio.blobs.keepFile(file, 'png'),
      thumbnail: await smallPicture(studio, design, motifs),
      tileWidth: width,
      tileHeight: height,
    };
  } finally {
    removeUnfinished(file);
    rmSync(file, { force: true });
  }
}
