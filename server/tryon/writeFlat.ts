import { renameSync, writeFileSync } from 'node:fs';
import { growBox } from '../../core/geometry/index.ts';
import { picturesOf } from '../../core/motif/index.ts';
import { flatSvg } from '../../core/flat/index.ts';
import { type FlatPiece, flatPieces, patternIn, sourceKey } from '../../core/tryon/index.ts';
import { MOST_DRAWN_INSTANCES } from '../../core/vector/index.ts';
import { loadScene } from '../paint/loadScene.ts';
import { partOf } from '../paint/unfinished.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { PdfCloth } from '../vector/drawCloth.ts';
import { type GroundPicture, groundPicture } from '../vector/groundPicture.ts';
import { inkedPictures } from '../vector/inkedPictures.ts';
import { pngAddress } from '../vector/pngAddress.ts';
import { softMaskAddress } from '../vector/softMask.ts';
import { flatPdf } from './flatPdf.ts';
import type { FlatWish, TryOnOutcome, TryOnTask } from './tryOnTask.ts';

/** Writes a product that lies flat as shapes. The file is there whole, or not at all. @throws Problem where it cannot be written so */
export async function writeFlat(task: TryOnTask<FlatWish>): Promise<TryOnOutcome> {
  const { tryOn, product, drawing, wish, file } = task;
  try {
    const pieces = flatPieces(product, drawing, tryOn);
    const bleed = wish.format === 'pdf' ? wish.sheet.bleed : 0;
    const cloths = await clothsOf(task, pieces, bleed);
    const title = tryOn.name;
    if (wish.format === 'pdf') {
      const { content, ...outcome } = await flatPdf({
        pieces,
        clothOf: (piece) => cloths.get(piece),
        title,
        sheet: wish.sheet,
      });
      put(file, content);
      return outcome;
    }
    const pictures = new Map<string, string>();
    for (const { pictures: files } of cloths.values())
      for (const [blob, content] of files) pictures.set(blob, pngAddress(content));
    const blobs = new Blobs(task.blobs);
    for (const blob of [drawing.under, drawing.over].flatMap(picturesOf))
      pictures.set(blob, pngAddress(await blobs.read(blob)));
    const text = flatSvg({
      product,
      drawing,
      pieces,
      clothOf(piece) {
        const cloth = cloths.get(piece);
        const { ground } = cloth ?? {};
        return cloth && { ...cloth, groundPicture: ground && { address: pngAddress(ground.content), box: ground.box } };
      },
      title,
      pictures: { picture: (blob) => pictures.get(blob) ?? '', mask: softMaskAddress },
    });
    put(file, Buffer.from(text));
    return { width: product.width, height: product.height };
  } catch (error) {
    if (error instanceof RangeError)
      throw new Problem(422, 'Not as shapes', `${sentence(error.message)} Nothing was made.`);
    throw error;
  }
}

/** The patterns of pieces, each with its pictures in its colours, and its ground where that is no flat colour. */
async function clothsOf(
  task: TryOnTask,
  pieces: readonly FlatPiece[],
  bleed: number,
): Promise<Map<FlatPiece, PdfCloth>> {
  const blobs = new Blobs(task.blobs);
  const cloths = new Map<FlatPiece, PdfCloth>();
  for (const { key, design, motifs } of task.patterns) {
    const { scene: own, backend } = await loadScene(design, motifs, blobs);
    const { scene, files: pictures } = await inkedPictures(own, blobs);
    const patterned = own.ground && own.ground.kind !== 'flat' ? own.ground : undefined;
    for (const piece of pieces) {
      if (sourceKey(piece.fill.source) !== key) continue;
      const part = patternIn(piece, growBox(piece.bounds, bleed));
      const ground: GroundPicture | undefined =
        patterned && (await groundPicture(patterned, design.repeat, part, backend));
      cloths.set(piece, { scene, repeat: design.repeat, pictures, ground });
    }
  }
  return cloths;
}

/** Written beside and renamed, so that nobody ever downloads half a file. */
function put(file: string, content: Uint8Array): void {
  writeFileSync(partOf(file), content);
  renameSync(partOf(file), file);
}

/** What too many motifs come to is said in a sentence; all else is one. */
function sentence(message: string): string {
  return message.startsWith('more than')
    ? `More than ${MOST_DRAWN_INSTANCES} motifs would be seen in this file. Choose a larger scale, or export it as pixels.`
    : message;
}
