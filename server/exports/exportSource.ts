import type { JsonBodyOf, startExport } from '../../contract/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { motifsById } from '../store/motifs.ts';
import { readSwatch } from '../store/swatches.ts';
import type { Studio } from '../studio.ts';

/** A design, or a version of a swatch. */
export type SourceWish = Pick<JsonBodyOf<typeof startExport>, 'design' | 'swatch' | 'version'>;

/** What goes into a file. */
export interface ExportSource {
  readonly name: string;
  readonly design: Design;
  readonly motifs: readonly Motif[];
}

/** Reads what is to go into a file. @throws Problem 404 */
export async function readSource(
  studio: Studio,
  { design: id, swatch, version: number }: SourceWish,
): Promise<ExportSource> {
  if (swatch !== undefined) {
    const { swatch: named, version } = await readSwatch(studio.database, swatch, number);
    return { name: named.name, design: version.design, motifs: version.motifs };
  }
  const { design } = await studio.designs.read(id ?? '');
  const motifs = await motifsById(
    studio.database,
    design.placements.map(({ motif }) => motif),
  );
  return { name: design.name, design, motifs };
}
