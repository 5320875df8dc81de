import { nanoid } from 'nanoid';
import { MOST_NAME, cutText } from '../../core/schema/index.ts';
import {
  type DrawnProduct,
  firstFace,
  type KeptPhoto,
  type Marked,
  markedFault,
  photoProduct,
  type Product,
  type ProductDrawing,
  productSchema,
  resized,
} from '../../core/tryon/index.ts';
import { sniffFile } from '../motifs/sniff.ts';
import { notFound, Problem } from '../problem.ts';
import { fontFiles } from '../store/fonts.ts';
import { motifsById } from '../store/motifs.ts';
import { changeOwnProduct, insertOwnProduct, type OwnProduct } from '../store/products.ts';
import type { SourceFile } from '../store/sourceFile.ts';
import type { Studio } from '../studio.ts';
import type { TaskOrder } from '../work/pool.ts';

/** The light of a photograph that lies on its cloth to begin with. */
const FIRST_LIGHT = 0.8;

/** Makes a product of a file: of an SVG the shapes that are closed, of a photograph the faces that will be marked. @throws Problem */
export async function makeProduct(
  studio: Studio,
  fileName: string,
  { path: file }: SourceFile,
  context?: TaskOrder,
): Promise<Product> {
  const { pool, blobs, database } = studio;
  const kind = sniffFile(file);
  if (!kind)
    throw new Problem(
      415,
      'Not a picture',
      `“${fileName}” is no SVG and no photograph, whatever its name says. Nothing was added; export it as SVG, PNG or JPEG and import it again.`,
    );
  const id = nanoid(12);
  const name = cutText(fileName.replace(/\.\w{2,5}$/, '').trim() || fileName, MOST_NAME);
  if (kind !== 'svg' && kind !== 'svgz') {
    const photo = await pool.run({ kind: 'photo', name: fileName, file, blobs: blobs.folder }, context);
    const marked = { faces: [firstFace(photo)], light: FIRST_LIGHT };
    return keepProduct(studio, await photographed(studio, id, name, photo, marked), photo);
  }
  const fonts = await fontFiles(database);
  const read = await pool.run({ kind: 'read', name: fileName, file, fonts, blobs: blobs.folder }, context);
  return drawn(studio, id, name, fileName, read.artwork, read.width);
}

/** Makes a product of a motif, be it a shape, a silhouette or lettering. @throws Problem 404, 422 */
export async function makeProductOfMotif(studio: Studio, motif: string): Promise<Product> {
  const [known] = await motifsById(studio.database, [motif]);
  if (!known) throw notFound('motif');
  return drawn(studio, nanoid(12), known.name, known.name, known.artwork, known.width);
}

async function drawn(
  { pool, blobs, database }: Studio,
  id: string,
  name: string,
  what: string,
  artwork: string,
  width: number,
): Promise<Product> {
  const made = await pool.run({ kind: 'outline-product', id, name, what, artwork, width, blobs: blobs.folder });
  await insertOwnProduct(database, made.product, made.drawing, null);
  return made.product;
}

/** Takes over what was marked on a photograph. @throws Problem 409 where the product is none */
export async function markProduct(studio: Studio, id: string, own: OwnProduct, marked: Marked): Promise<Product> {
  if (!own.photo)
    throw new Problem(409, 'No photograph', 'This product is not made of a photograph. Nothing was changed.');
  for (const { name, face } of marked.faces) {
    const fault = markedFault(face);
    if (fault) throw new Problem(422, 'No face', `${name}: ${fault} Nothing was changed.`);
  }
  const { product, drawing } = await photographed(studio, id, own.product.name, own.photo, marked);
  await changeOwnProduct(studio.database, id, product, studio.blobs.keep(JSON.stringify(drawing), 'json'));
  return product;
}

/** What is marked on the photograph of a product. */
export async function markedOn({ blobs }: Studio, { pieces }: Product, drawing: string): Promise<Marked> {
  const { light, marked } = JSON.parse((await blobs.read(drawing)).toString('utf8')) as ProductDrawing;
  if (marked) return marked;
  // Products of former versions hold no more than what came of it.
  const [group] = light.nodes;
  return {
    faces: pieces.flatMap(({ id, name, face }) =>
      face.kind === 'plane' || face.kind === 'mesh' ? [{ id, name, face }] : [],
    ),
    light: group?.kind === 'group' ? group.opacity : 0,
  };
}

/** Gives one of the studio's own products another name, or another width of what is drawn. @throws Problem 409 */
export async function changeProduct(
  studio: Studio,
  id: string,
  { product, drawing, photo }: OwnProduct,
  change: { readonly name?: string | undefined; readonly by?: number | undefined },
): Promise<Product> {
  if (change.by !== undefined && photo)
    throw new Problem(
      409,
      'No single size',
      'The faces of a photograph have sizes of their own. Nothing was changed; type those.',
    );
  const next = { ...resized(product, change.by ?? 1), name: change.name ?? product.name };
  if (!productSchema.isValidSync(next, { strict: true }))
    throw new Problem(422, 'Out of bounds', 'A product cannot be as small or as large as that. Nothing was changed.');
  await changeOwnProduct(studio.database, id, next, drawing);
  return next;
}

async function photographed(
  studio: Studio,
  id: string,
  name: string,
  photo: KeptPhoto,
  marked: Marked,
): Promise<DrawnProduct> {
  const { faces } = marked;
  const pictures = await studio.pool.run({ kind: 'marked', photo, faces, blobs: studio.blobs.folder });
  return photoProduct(id, name, photo, marked, pictures);
}

async function keepProduct(
  studio: Studio,
  { product, drawing }: DrawnProduct,
  photo: KeptPhoto | null,
): Promise<Product> {
  await insertOwnProduct(studio.database, product, studio.blobs.keep(JSON.stringify(drawing), 'json'), photo);
  return product;
}
