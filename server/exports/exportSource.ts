import { createHash } from 'node:crypto';
import type { JsonBodyOf, startExport } from '../../contract/index.ts';
import { withBase } from '../../core/colourway/index.ts';
import type { Design } from '../../core/document/index.ts';
import type { Motif } from '../../core/motif/index.ts';
import { cutText, MOST_NAME } from '../../core/schema/index.ts';
import { notFound } from '../problem.ts';
import { motifsById } from '../store/motifs.ts';
import { readSwatch } from '../store/swatches.ts';
import type { Studio } from '../studio.ts';

/** A design, or a version of a swatch. */
export type SourceWish = Pick<JsonBodyOf<typeof startExport>, 'design' | 'swatch' | 'version' | 'colourway'>;

/** What goes into a file. */
export interface ExportSource {
  readonly name: string;
  readonly design: Design;
  readonly motifs: readonly Motif[];
  /** The same text as long as nothing about it changes. */
  readonly state: string;
}

/** Reads what is to go into a file. @throws Problem 404 */
export async function readSource(
  studio: Studio,
  { design: id, swatch, version: number, colourway }: SourceWish,
): Promise<ExportSource> {
  if (swatch !== undefined) {
    const { swatch: named, version } = await readSwatch(studio.database, swatch, number);
    const state = `${swatch} ${version.number}`;
    return inColourway({ name: named.name, design: version.design, motifs: version.motifs, state }, colourway);
  }
  const { design, revision } = await studio.designs.read(id ?? '');
  const motifs = await motifsById(
    studio.database,
    design.placements.map(({ motif }) => motif),
  );
  return inColourway({ name: design.name, design, motifs, state: `${revision} ${stateOf(motifs)}` }, colourway);
}

/** What is drawn of motifs, in a few letters. */
function stateOf(motifs: readonly Motif[]): string {
  const drawn = motifs.map(({ id, artwork, width }) => `${id} ${artwork} ${width}`).sort();
  return createHash('sha256').update(drawn.join(' ')).digest('base64url');
}

/** The source in a colourway that was asked for, which its name says then. @throws Problem 404 */
function inColourway(source: ExportSource, id: string | undefined): ExportSource {
  if (id === undefined) return source;
  const { name, design } = source;
  const colourway = design.colourways.find((colourway) => colourway.id === id);
  if (!colourway) throw notFound('colourway');
  return { ...source, name: cutText(`${name}, ${colourway.name}`, MOST_NAME), design: withBase(design, id) };
}
