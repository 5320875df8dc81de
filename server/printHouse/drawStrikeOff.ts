import { writeFile } from 'node:fs/promises';
import sharp from 'sharp';
import { channels } from '../../core/colour/index.ts';
import { layTile, type PrintCloth, printOnCloth } from '../../core/print/index.ts';
import type { PixelImage } from '../../core/scan/index.ts';
import { MM_PER_INCH } from '../../core/units/index.ts';
import { publish } from '../store/sync.ts';
import type { StrikeOffTask } from './strikeOffTask.ts';

interface Sample {
  /** mm. */
  readonly width: number;
  readonly height: number;
  /** Pixels in a mm. */
  readonly scale: number;
  /** Unprinted cloth along its left and right edge, mm. */
  readonly selvedge: number;
}

/** At true size, so finely that threads can be told apart. */
const PIECE: Sample = { width: 120, height: 80, scale: 8, selvedge: 0 };
/** The whole width of a cloth. */
const stripOf = ({ width }: PrintCloth): Sample => ({ width, height: 420, scale: 1, selvedge: 12 });

const MOST_PIXELS = 400e6;

/** Prints a sample, as far as a picture can show that. */
export async function drawStrikeOff({ file, tile, cloth, piece, width }: StrikeOffTask): Promise<true> {
  await drawSample(file, tile, cloth, PIECE, piece);
  await drawSample(file, tile, cloth, stripOf(cloth), width);
  return true;
}

async function drawSample(
  file: string,
  tile: StrikeOffTask['tile'],
  cloth: PrintCloth,
  sample: Sample,
  path: string,
): Promise<void> {
  const { scale } = sample;
  const [width, height, selvedge] = [sample.width, sample.height, sample.selvedge].map((mm) => Math.round(mm * scale));
  const repeat = { width: tile.width * scale, height: tile.height * scale };
  const swatch = await readTile(file, tile, sample);
  const printed = printOnCloth(layTile(swatch, repeat, width as number, height as number), scale, cloth);
  const [r, g, b] = channels(cloth.base);
  const png = await sharp(printed.data, { raw: { width: printed.width, height: printed.height, channels: 4 } })
    .removeAlpha()
    .extend({ left: selvedge as number, right: selvedge as number, background: { r, g, b } })
    .withMetadata({ density: scale * MM_PER_INCH })
    .png()
    .toBuffer();
  await writeFile(`${path}.part`, png);
  await publish(`${path}.part`, path);
}

/** The file at a sample's scale, and no more of it than the sample shows: a repeat can be metres wide. */
async function readTile(file: string, tile: StrikeOffTask['tile'], sample: Sample): Promise<PixelImage> {
  const { width, height } = await sharp(file, { limitInputPixels: MOST_PIXELS }).metadata();
  const part = {
    width: Math.min(width, Math.ceil((sample.width / tile.width) * width)),
    height: Math.min(height, Math.ceil((sample.height / tile.height) * height)),
  };
  const { data, info } = await sharp(file, { limitInputPixels: MOST_PIXELS })
    .extract({ left: 0, top: 0, ...part })
    .resize(
      Math.max(1, Math.round((part.width / width) * tile.width * sample.scale)),
      Math.max(1, Math.round((part.height / height) * tile.height * sample.scale)),
      { fit: 'fill' },
    )
    .toColourspace('srgb')
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data: new Uint8ClampedArray(data) };
}
