import { cleanSvg, type Embedded, type KnownFonts, openSvg } from '../../core/svg/index.ts';
import { drawingText } from './drawingText.ts';
import { headerOf, lossless, MOST_PIXELS, TooLargePicture } from './lossless.ts';
import { sniffPicture } from './sniff.ts';

/** Drawings within drawings within drawings: real files have one within another. */
const DEEPEST = 2;

/**
 * Opens what is embedded in a drawing. What is damaged is left out.
 *
 * @param addresses `data:` addresses
 * @param most bytes of a drawing within the drawing
 * @throws TooLargePicture where all pictures together have more than one may have
 */
export async function openEmbedded(
  addresses: readonly string[],
  fonts: KnownFonts,
  most: number,
): Promise<ReadonlyMap<string, Embedded>> {
  const found = new Map<string, Embedded>();
  let pixels = 0;
  const open = async (address: string, depth: number): Promise<Embedded | undefined> => {
    const content = await contentOf(address);
    if (!content) return undefined;
    if (sniffPicture(content)) {
      const header = await orNothing(headerOf(content));
      pixels += header ? header.width * header.height : 0;
      if (pixels > MOST_PIXELS) throw new TooLargePicture(`have more than ${MOST_PIXELS / 1e6} megapixels`);
      const picture = header && (await orNothing(lossless(content)));
      return picture && { kind: 'picture', url: `data:image/png;base64,${picture.png.toString('base64')}` };
    }
    if (depth >= DEEPEST) return undefined;
    const opened = await orNothing(drawingText(content, most).then(openSvg));
    if (!opened) return undefined;
    const inner = new Map<string, Embedded>();
    for (const one of opened.addresses) {
      const held = await open(one, depth + 1);
      if (held) inner.set(one, held);
    }
    return { kind: 'drawing', root: cleanSvg(opened, inner, fonts).root };
  };
  for (const address of addresses) {
    const held = await open(address, 0);
    if (held) found.set(address, held);
  }
  return found;
}

/** What is damaged counts as not being there; its drawing says so. Limits are kept. */
async function orNothing<T>(work: Promise<T>): Promise<T | undefined> {
  try {
    return await work;
  } catch (error) {
    if (error instanceof TooLargePicture) throw error;
    return undefined;
  }
}

/** The bytes of a `data:` address; these never reach a network. */
async function contentOf(address: string): Promise<Buffer | undefined> {
  if (!/^data:/i.test(address)) return undefined;
  const response = await orNothing(fetch(address));
  return response && Buffer.from(await response.arrayBuffer());
}
