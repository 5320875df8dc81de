import sharp from 'sharp';
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
  const recoloured = new Map<string, PictureNode>();
  const settled = (node: ArtworkNode): ArtworkNode => {
    if (node.kind === 'group') return { ...node, children: node.children.map(settled) };
    if (node.kind !== 'picture' || !node.palette) return node;
    const inks = node.palette.map(({ ink }) => scene.resolve(ink));
    if (inks.every((ink, n) => ink === node.palette?.[n]?.colour)) return node;
    const blob = [node.blob, ...node.palette.map(({ colour }) => colour), ...inks].join(' ');
    recoloured.set(blob, node);
    return { ...node, blob, palette: undefined };
  };
  const motifs = new Map<string, DrawnMotif>();
  for (const [id, { motif, artwork }] of scene.motifs)
    motifs.set(id, { motif, artwork: { ...artwork, nodes: artwork.nodes.map(settled) } });
  const files = new Map<string, Uint8Array>();
  for (const blob of new Set([...motifs.values()].flatMap(({ artwork }) => picturesOf(artwork)))) {
    const node = recoloured.get(blob);
    files.set(blob, node ? await inked(node, scene, blobs) : await blobs.read(blob));
  }
  return { scene: { ...scene, motifs }, files };
}

async function inked({ blob, palette = [] }: PictureNode, { resolve }: Scene, blobs: Blobs): Promise<Uint8Array> {
  const { data, info } = await sharp(await blobs.read(blob))
    .toColourspace('srgb')
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const inks = palette.map(({ ink }) => resolve(ink));
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
