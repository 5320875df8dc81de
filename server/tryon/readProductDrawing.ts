import { parseXml, writeXml, type XmlElement, XmlError } from '../../core/svg/index.ts';
import type { Artwork } from '../../core/motif/index.ts';
import type { ProductDrawing } from '../../core/tryon/index.ts';
import { readVectors } from '../motifs/readVectors.ts';
import { Problem } from '../problem.ts';
import { Blobs } from '../store/blobs.ts';
import type { ProductTask } from './productTask.ts';

/** Groups of a product's SVG, by their ids. */
const [UNDER, PIECES, LIGHT, OVER] = ['under', 'pieces', 'light', 'over'] as const;

/** Reads a product's SVG into its layers and outlines. @throws Problem where it cannot be read */
export async function readProductDrawing({ name, svg, pieces, blobs: folder }: ProductTask): Promise<ProductDrawing> {
  const blobs = new Blobs(folder);
  const root = parsed(name, svg);
  const read = async (keep: (element: XmlElement) => XmlElement | undefined): Promise<Artwork> => {
    const children = root.children.flatMap((child) => (child.name === 'defs' ? [child] : (keep(child) ?? [])));
    return (await readVectors(name, Buffer.from(writeXml({ ...root, children })), blobs)).artwork;
  };
  const layer = (id: string): Promise<Artwork> =>
    read((element) => (element.attributes['id'] === id ? element : undefined));
  const outlines = [];
  for (const id of pieces) {
    const artwork = await read((group) =>
      group.attributes['id'] === PIECES
        ? { ...group, children: group.children.filter((child) => child.attributes['id'] === id) }
        : undefined,
    );
    outlines.push({ id, artwork });
  }
  return { under: await layer(UNDER), light: await layer(LIGHT), over: await layer(OVER), outlines };
}

function parsed(name: string, svg: string): XmlElement {
  try {
    return parseXml(svg);
  } catch (error) {
    if (!(error instanceof XmlError)) throw error;
    throw new Problem(
      422,
      'Cannot be read',
      `The drawing of “${name}” cannot be read: ${error.message}. Choose another product.`,
    );
  }
}
