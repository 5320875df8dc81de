import { renameSync, writeFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { cleanFileName, VECTOR_FORMATS, vectorPage } from '../../core/export/index.ts';
import { tileOf } from '../../core/lattice/index.ts';
import type { Scene } from '../../core/paint/index.ts';
import { clothSvg, MOST_DRAWN_INSTANCES, swatchRule } from '../../core/vector/index.ts';
import { loadScene, onBackdrop } from '../paint/loadScene.ts';
import { partOf } from '../paint/unfinished.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { VectorOutcome, VectorTask } from '../paint/paintTasks.ts';
import { clothPdf } from './clothPdf.ts';
import { groundPicture, type GroundPicture } from './groundPicture.ts';
import { inkedPictures } from './inkedPictures.ts';
import { pngAddress } from './pngAddress.ts';
import { softMaskAddress } from './softMask.ts';
import { proveSvg, withProof } from './proveSvg.ts';

/** Writes what is asked for as shapes, and proves what can be drawn again. @throws Problem where it is too much */
export async function writeVector(task: VectorTask): Promise<VectorOutcome> {
  const { design, motifs, order, title, file } = task;
  const blobs = new Blobs(task.blobs);
  const { scene: own, backend } = await loadScene(design, motifs, blobs);
  const scene = onBackdrop(own, order.backdrop);
  const page = vectorPage(design.repeat, order);
  const { scene: drawn, files } = await inkedPictures(scene, blobs);
  const addresses = new Map<string, string>();
  if (order.format !== 'pdf') for (const [blob, content] of files) addresses.set(blob, pngAddress(content));
  const pictures = { picture: (blob: string): string => addresses.get(blob) ?? '', mask: softMaskAddress };
  const tile = tileOf(design.repeat);
  const patterned = scene.ground && scene.ground.kind !== 'flat' ? scene.ground : undefined;
  const groundOf = (format: typeof order.format): Promise<GroundPicture | undefined> => {
    const part = format === 'svg-pattern' ? { left: 0, top: 0, right: tile.width, bottom: tile.height } : page.painted;
    return patterned ? groundPicture(patterned, design.repeat, part, backend) : Promise.resolve(undefined);
  };
  const svg = async (format: 'svg' | 'svg-pattern') => {
    const request = { scene: drawn, repeat: design.repeat, page, format, title, pictures };
    const ground = await groundOf(format);
    const text = clothSvg({
      ...request,
      groundPicture: ground && { address: pngAddress(ground.content), box: ground.box },
    });
    // A picture of the ground is not shapes; the motifs are, and are proved without it.
    const bare = (whole: Scene): Scene => (patterned ? { ...whole, ground: undefined } : whole);
    const proof = await proveSvg(patterned ? clothSvg({ ...request, scene: bare(drawn) }) : text, {
      scene: bare(scene),
      backend,
      repeat: design.repeat,
      page,
      extent: order.extent,
    });
    return { text: withProof(text, proof), proof };
  };

  const write = async (): Promise<{ content: Uint8Array; proof?: VectorOutcome['proof'] }> => {
    if (order.format === 'pdf') {
      const { spotColours } = order;
      const ground = await groundOf('pdf');
      return { content: await clothPdf({ design, scene: drawn, page, title, spotColours, ground, pictures: files }) };
    }
    if (order.format !== 'css') {
      const { text, proof } = await svg(order.format);
      return { content: strToU8(text), proof };
    }
    const { text, proof } = await svg('svg');
    const printed = { width: tile.width * page.scale, height: tile.height * page.scale };
    const flat = scene.ground?.kind === 'flat' ? scene.ground.colour : undefined;
    const rule = (address: string): Uint8Array => strToU8(swatchRule(title, printed, flat, address));
    if (order.inline)
      return { content: rule(`data:image/svg+xml;base64,${Buffer.from(text).toString('base64')}`), proof };
    const name = cleanFileName(title, 'Swatch');
    const { extension } = VECTOR_FORMATS.svg;
    return {
      content: zipSync({
        [`${name}.css`]: rule(`${encodeURIComponent(name)}.${extension}`),
        [`${name}.${extension}`]: strToU8(text),
      }),
      proof,
    };
  };

  try {
    const { content, proof } = await write();
    // Written beside and renamed, so that nobody ever downloads half a file.
    writeFileSync(partOf(file), content);
    renameSync(partOf(file), file);
    return { width: page.width, height: page.height, proof };
  } catch (error) {
    if (error instanceof RangeError)
      throw new Problem(
        422,
        'Too many motifs',
        `More than ${MOST_DRAWN_INSTANCES} motifs would be seen in this file. Nothing was made; choose a smaller extent, or export it as pixels.`,
      );
    throw error;
  }
}
