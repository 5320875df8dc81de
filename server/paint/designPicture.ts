import { rmSync } from 'node:fs';
import type { Design } from '../../core/document/index.ts';
import { tileOrder } from '../../core/export/index.ts';
import { tileOf } from '../../core/lattice/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { newDraft } from '../store/drafts.ts';
import { motifsById } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';
import { exportTask } from './exportTask.ts';
import { MadeOnce } from './madeOnce.ts';
import { removeUnfinished } from './unfinished.ts';

/** Long side in pixels of the picture that stands for a design. */
const LONG_SIDE = 512;

/** The addresses of pictures by all that they show. */
const painted = new MadeOnce<string>(1000);

/** The address of a small picture of the design's tile as it is now, be it deleted. */
export async function designPicture(studio: Studio, id: string): Promise<string> {
  const { design, revision } = await studio.designs.readAnyway(id);
  const motifs = await motifsById(
    studio.database,
    design.placements.map(({ motif }) => motif),
  );
  const shown = motifs.map(({ artwork, width }) => `${artwork} ${width}`).sort();
  const from = [studio.blobs.folder, id, revision, shown];
  const make = (): Promise<string> => smallPicture(studio, design, motifs);
  const address = await painted.get(from, make);
  if (studio.blobs.has(address)) return address;
  // Nothing names it, so that it was swept away.
  painted.forget(from);
  return painted.get(from, make);
}

/** Paints a small picture of a design's tile and keeps it as a blob. */
export async function smallPicture(studio: Studio, design: Design, motifs: readonly Motif[]): Promise<string> {
  const unit = tileOf(design.repeat);
  const width = Math.max(1, Math.round((LONG_SIDE * unit.width) / Math.max(unit.width, unit.height)));
  const file = `${newDraft(studio.folder.drafts)}.webp`;
  // Of WebP without loss: at the joins of a repeat, what is lost would show as a line.
  const order = { ...tileOrder({ kind: 'pixels', width }), format: 'webp' } as const;
  try {
    await studio.pool.run(exportTask({ design, motifs, order, blobs: studio.blobs.folder, file }));
    return await studio.blobs.keepFile(file, 'webp');
  } finally {
    removeUnfinished(file);
    rmSync(file, { force: true });
  }
}
