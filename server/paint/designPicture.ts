import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { nanoid } from 'nanoid';
import type { Design } from '../../core/document/index.ts';
import { tileOrder } from '../../core/export/index.ts';
import { tileOf } from '../../core/lattice/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { motifsById } from '../store/motifs.ts';
import type { Studio } from '../studio.ts';
import { exportTask } from './exportTask.ts';

/** Long side in pixels of the picture that stands for a design. */
const LONG_SIDE = 512;

/** Pictures by all that they show, so that each is painted once while the process lives. */
const painted = new Map<string, Promise<string>>();

/** The address of a small picture of the design's tile as it is now, be it deleted. */
export async function designPicture(studio: Studio, id: string): Promise<string> {
  const { design, revision } = await studio.designs.readAnyway(id);
  const motifs = await motifsById(
    studio.database,
    design.placements.map(({ motif }) => motif),
  );
  const key = [
    studio.blobs.folder,
    id,
    revision,
    ...motifs.map(({ artwork, width }) => `${artwork} ${width}`).sort(),
  ].join(' ');
  let picture = painted.get(key);
  if (!picture) {
    picture = smallPicture(studio, design, motifs);
    painted.set(key, picture);
    picture.catch(() => painted.delete(key));
  }
  return picture;
}

/** Paints a small picture of a design's tile and keeps it as a blob. */
export async function smallPicture(studio: Studio, design: Design, motifs: readonly Motif[]): Promise<string> {
  const unit = tileOf(design.repeat);
  const width = Math.max(1, Math.round((LONG_SIDE * unit.width) / Math.max(unit.width, unit.height)));
  const file = join(studio.exports, `${nanoid()}.png`);
  await studio.pool.run(
    exportTask({ design, motifs, order: tileOrder({ kind: 'pixels', width }), blobs: studio.blobs.folder, file }),
  );
  const address = studio.blobs.keep(readFileSync(file), 'png');
  rmSync(file);
  return address;
}
