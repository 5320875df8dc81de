import type { Metadata } from 'sharp';
import { RASTER_FORMAT_NAMES, type RasterFormatName } from '../../core/export/index.ts';
import { checkPrint, type PrintCloth, type PrintRules } from '../../core/print/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { hashFile } from '../store/hashFile.ts';
import type { HouseWish } from './houseOrder.ts';

/** The print house's own look at a file: by what is in it, whatever was said of it. @returns why it is refused, as sentences */
export async function checkUpload(
  file: string,
  bytes: number,
  wish: HouseWish,
  rules: PrintRules,
  cloth: PrintCloth,
): Promise<string | undefined> {
  if ((await hashFile(file)) !== wish.sha256)
    return 'The file was damaged on the way and was not printed. Nothing was charged; order it again.';
  // Loaded with the first order: the server itself starts without what reads pictures.
  const { default: sharp } = await import('sharp');
  let picture: Metadata;
  try {
    picture = await sharp(file, { limitInputPixels: false }).metadata();
  } catch {
    return `The file could not be opened as a picture and was not printed. Nothing was charged; send one that ${rules.name} takes.`;
  }
  const format = RASTER_FORMAT_NAMES.find((name): name is RasterFormatName => name === picture.format);
  if (!format)
    return `${rules.name} does not print ${picture.format} files. Nothing was charged; send a PNG, TIFF or JPEG.`;
  const { width, height, metres } = wish;
  const dpi = picture.density ?? (picture.width / width) * MM_PER_INCH;
  const refusals = checkPrint({ format, dpi, tile: { width, height }, metres, bytes }, rules, cloth).filter(
    ({ grade }) => grade === 'refusal',
  );
  return refusals.length === 0 ? undefined : refusals.map(({ text }) => text).join(' ');
}
