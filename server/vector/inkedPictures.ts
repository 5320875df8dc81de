import sharp from 'sharp';
import type { Hex } from '../../core/colour/index.ts';
import { type ArtworkNode, type DrawnMotif, picturesOf, type PictureNode } from '../../core/motif/index.ts';
import type { Scene } from '../../core/paint/index.ts';
import { paletteTable, recolour } from '../../core/recolour/index.ts';
import type { Blobs } from '../store/blobs.ts';

/** A scene whose pictures are files as they are printed, and those files by the names under which the scene has them. */
export interface InkedPictures {
  readonly scene: Scene;
  readonly files: ReadonlyMap<string, Uint8Array>;
}

/** Gives each picture whose palette is printed in other colours a file of its own in them: no format mixes inks itself. */
export async function inkedPictures(scene: Scene, blobs: Blobs): Promise<InkedPictures> {
  const recoloured = new Map<string, { readonly node: PictureNode; readonly inks: readonly Hex[] }>();
  const settled = (node: ArtworkNode, motif: string): ArtworkNode => {
    if (node.kind === 'group') return { ...node, children: node.children.map((child) => settled(child, motif)) };
    if (node.kind !== 'picture' || !node.palette) return node;
    const inks = node.palette.map(({ ink }) => scene.resolve(ink, motif));
    if (inks.every((ink, n) => ink === node.palette?.[n]?.colour)) return node;
    const blob = [node.blob, ...node.palette.map(({ colour }) => colour), ...inks].join(' ');
    recoloured.set(blob, { node, inks });
    return { ...node, blob, palette: undefined };
  };
  const motifs = new Map<string, DrawnMotif>();
  for (const [id, { motif, artwork }] of scene.motifs)
    motifs.set(id, { motif, artwork: { ...artwork, nodes: artwork.nodes.map((node) => settled(node, id)) } });
  const files = new Map<string, Uint8Array>();
  for (const blob of new Set([...motifs.values()].flatMap(({ artwork }) => picturesOf(artwork)))) {
    const one = recoloured.get(blob);
    files.set(blob, one ? await inked(one.node, one.inks, blobs) : await blobs.read(blob));
  }
  return { scene: { ...scene, motifs }, files };
}

async function inked({ blob, palette = [] }: PictureNode, inks: readonly Hex[], blobs: Blobs): Promise<Uint8Array> {
  const { data, info } = await sharp(await blobs.read(blob))
    .toColourspace('srgb')
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  recolour(
    new Uint8ClampedArray(data.buffer, data.byteOffset, data.length),
    paletteTable(palette.map(({ colour }) => colour)),
    inks,
  );
  const { width, height } = info;
  return sharp(data, { raw: { width, height, channels: 4 } })
    .png()
    .toBuffer();
}
