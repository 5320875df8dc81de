import type { Router } from 'express';
import { nanoid } from 'nanoid';
import * as contract from '../../contract/index.ts';
import type { StoredMotif } from '../../contract/index.ts';
import { cutText } from '../../core/schema/index.ts';
import { newDesign, newPlacement } from '../../core/document/index.ts';
import type { Point } from '../../core/geometry/index.ts';
import { NO_STEPS, pictureIn, type ScanRecipe, type TileRecipe } from '../../core/recipe/index.ts';
import { tileRepeat } from '../../core/tile/index.ts';
import { apiRouter } from '../http/apiRouter.ts';
import { fileOf, implement, orderOf } from '../http/implement.ts';
import { nameFrom } from '../motifs/importMotif.ts';
import { keepMotif, makeMotif, remakeMotif } from '../motifs/makeMotif.ts';
import { isPdfFile, isPictureFile, sniffFile } from '../motifs/sniff.ts';
import { notFound, Problem } from '../problem.ts';
import { pageDesign, requireCell } from '../scan/pageDesign.ts';
import { orRefused } from '../scan/tileRefusal.ts';
import { Blobs } from '../store/blobs.ts';
import { fontFiles } from '../store/fonts.ts';
import { motifsById } from '../store/motifs.ts';
import { changeScan, insertScan, listScans, readScan, scanOfPicture, setScanDeleted } from '../store/scans.ts';
import type { SourceFile } from '../store/sourceFile.ts';
import type { Studio } from '../studio.ts';
import type { TaskOrder } from '../work/pool.ts';

/** Scans and photographs on the workshop's shelf, and making motifs of them. */
export function scanRoutes(studio: Studio): Router {
  const { database, jobs, pool, blobs } = studio;
  const router = apiRouter();

  implement(router, contract.listScans, () => listScans(database));

  implement(router, contract.importScan, (call) => {
    const { name } = call.query;
    const file = fileOf(call, name);
    return isPictureFile(file.path)
      ? shelve(studio, nameFrom(name), file, orderOf(call))
      : shelveFlat(studio, name, file, orderOf(call));
  });

  implement(router, contract.scanOfMotif, async (call) => {
    const { params } = call;
    const [motif] = await motifsById(database, [params.id]);
    if (!motif) throw notFound('motif');
    const recipe = motif.recipe?.kind === 'scan' ? motif.recipe : undefined;
    const picture = pictureIn(motif.recipe) ?? motif.source;
    if (!Blobs.isAddress(picture) || /\.(svgz?|json)$/.test(picture))
      throw new Problem(
        422,
        'Not a picture',
        `“${motif.name}” is drawn in vectors; there is no scan to clean. Nothing was changed.`,
      );
    const scan = await shelveKept(studio, motif.name, picture, orderOf(call));
    return recipe ? changeScan(database, scan.id, { steps: recipe.steps, dpi: recipe.dpi }) : scan;
  });

  implement(router, contract.readScan, ({ params }) => readScan(database, params.id));
  implement(router, contract.changeScan, ({ params, body }) => changeScan(database, params.id, body));

  implement(router, contract.cleanScan, async ({ params, body: { name, collection, steps, replace, layOut } }) => {
    const scan = await readScan(database, params.id);
    const recipe: ScanRecipe = { kind: 'scan', picture: scan.picture, dpi: scan.dpi, steps, drawing: null };
    const [replaced] = replace === undefined ? [] : await motifsById(database, [replace]);
    if (replace !== undefined && !replaced) throw notFound('motif');
    await changeScan(database, scan.id, { steps });
    return jobs.start('clean', async (context): Promise<contract.ResultOf<typeof contract.cleanScan>> => {
      if (replaced) {
        const drawing = replaced.recipe?.kind === 'scan' && steps.cut ? replaced.recipe.drawing : null;
        return { motifs: [(await remakeMotif(studio, replaced, { ...recipe, drawing }, context)).id], design: null };
      }
      const { drawings, page } = await pool.run({ kind: 'cut', recipe, blobs: blobs.folder }, context);
      if (layOut) requireCell(page);
      const laid: { readonly motif: StoredMotif; readonly at: Point }[] = [];
      for (const [n, { recipe: own, drawing, middle }] of drawings.entries()) {
        const given = {
          name: drawings.length === 1 ? name : `${cutText(name, 112)} ${n + 1}`,
          collection,
          source: scan.picture,
        };
        laid.push({ motif: await keepMotif(studio, given, own, drawing), at: middle });
      }
      const design = layOut ? await studio.designs.insert(pageDesign(name, page, laid)) : undefined;
      return { motifs: laid.map(({ motif }) => motif.id), design: design?.design.id ?? null };
    });
  });

  implement(router, contract.makeTile, async ({ params, body: { name, collection, replace, ...wish } }) => {
    const scan = await readScan(database, params.id);
    const recipe: TileRecipe = { kind: 'tile', picture: scan.picture, ...wish };
    // Too small a frame is said at once and not after the work.
    const repeat = orRefused(() => tileRepeat(recipe));
    const [replaced] = replace === undefined ? [] : await motifsById(database, [replace]);
    if (replace !== undefined && !replaced) throw notFound('motif');
    const palette = replaced?.recipe?.kind === 'tile' ? replaced.recipe.palette : undefined;
    return jobs.start('tile', async (context): Promise<contract.ResultOf<typeof contract.makeTile>> => {
      if (replaced)
        return { motif: (await remakeMotif(studio, replaced, { ...recipe, palette }, context)).id, design: null };
      const motif = await makeMotif(studio, { name, collection, source: scan.picture }, recipe, context);
      const id = nanoid(12);
      const middle = { x: repeat.width / 2, y: repeat.height / 2 };
      await studio.designs.insert({
        ...newDesign(id, name, repeat),
        placements: [newPlacement(nanoid(12), motif, middle)],
      });
      return { motif: motif.id, design: id };
    });
  });

  implement(router, contract.checkSeams, async ({ params, body: { frame } }) => {
    const { picture } = await readScan(database, params.id);
    return pool.run({ kind: 'seams', picture, frame, blobs: blobs.folder });
  });

  implement(router, contract.deleteScan, ({ params }) => setScanDeleted(database, params.id, true));
  implement(router, contract.restoreScan, ({ params }) => setScanDeleted(database, params.id, false));

  return router;
}

/** Draws a file of vectors and puts its pictures on the shelf. @returns the first @throws Problem */
async function shelveFlat(
  studio: Studio,
  name: string,
  { path: file }: SourceFile,
  order: TaskOrder,
): Promise<contract.Scan> {
  if (!isPdfFile(file) && !sniffFile(file))
    throw new Problem(
      415,
      'Not a picture',
      `“${cutText(name, 60)}” is not a PNG, JPEG, WebP, GIF, TIFF, AVIF, SVG or PDF file. Nothing was added; export it as one of these.`,
    );
  const { pool, blobs, database } = studio;
  const fonts = await fontFiles(database);
  const task = { kind: 'flatten', name: cutText(name, 60), file, fonts, blobs: blobs.folder } as const;
  const { pictures } = await pool.run(task, order);
  const scans: contract.Scan[] = [];
  for (const [n, picture] of pictures.entries()) {
    const title = pictures.length === 1 ? nameFrom(name) : `${cutText(nameFrom(name), 108)}, page ${n + 1}`;
    scans.push(await shelveKept(studio, title, picture, order));
  }
  const [first] = scans;
  if (!first)
    throw new Problem(422, 'Nothing to see', `“${cutText(name, 60)}” has no page. Nothing was added; export it again.`);
  return first;
}

/** Puts a picture that is kept already on the shelf. @throws Problem */
async function shelveKept(studio: Studio, name: string, picture: string, order: TaskOrder): Promise<contract.Scan> {
  const path = await studio.blobs.soundPathOf(picture);
  return shelve(studio, name, { path, sha256: picture.slice(0, picture.indexOf('.')) }, order);
}

/** Puts a picture on the shelf; one that lies there already is recognised. @throws Problem */
async function shelve(
  { database, pool, blobs }: Studio,
  name: string,
  { path: file, sha256 }: Pick<SourceFile, 'path' | 'sha256'>,
  order: TaskOrder,
): Promise<contract.Scan> {
  const there = await scanOfPicture(database, `${sha256}.${sniffFile(file)}`);
  if (there) return there;
  const read = await pool.run({ kind: 'preview', name, file, blobs: blobs.folder }, order);
  const scan = { id: nanoid(12), name, steps: NO_STEPS, ...read };
  await insertScan(database, scan);
  return scan;
}
