import { expose, transfer } from 'comlink';
import type { PixelImage } from '../../../core/scan/index.ts';
import {
  type JoinVisibility,
  LiveTile,
  makeTile,
  type OwnRepeat,
  ownRepeat,
  type PixelCell,
  TileError,
  type TileWish,
  tileRepeat,
} from '../../../core/tile/index.ts';

/** What of a picture is to be made a tile, to be looked at. */
export interface TileOrder {
  /** Of a smaller picture that stands for it. */
  readonly url: string;
  /** Of the picture itself, whose pixels the frame is measured in. */
  readonly pictureWidth: number;
  readonly wish: TileWish;
  /** About so many pixels at the most. */
  readonly most: number;
  /** Whether it is to be there at once, to follow the hand, and may be coarser. */
  readonly draft: boolean;
}

export interface SeenTile {
  readonly image: ImageBitmap;
  readonly cell: PixelCell;
  readonly visibility: JoinVisibility | undefined;
  readonly drift: number | undefined;
}

/** What is made while the frame is in the hand has this share of the pixels. */
const DRAFT = 0.2;
/** Smaller pictures are made for every so many times; the nearest is taken. */
const FINENESS = Math.SQRT2;

let fetched: { url: string; image: Promise<ImageBitmap> } | undefined;
const reduced = new Map<string, PixelImage>();
const live = new LiveTile();

const worker = {
  /** One cell of the tile, made of the picture at a smaller size; or a sentence that says why it cannot be. */
  async make({ url, pictureWidth, wish, most, draft }: TileOrder): Promise<SeenTile | string> {
    try {
      const { frame } = wish;
      const cell = tileRepeat(wish);
      const area = (cell.width * cell.height * frame.width * frame.width) / (wish.width * wish.width);
      const picture = await pictureAt(url, pictureWidth, Math.min(1, Math.sqrt((draft ? DRAFT * most : most) / area)));
      const by = picture.width / pictureWidth;
      const small = {
        ...frame,
        x: frame.x * by,
        y: frame.y * by,
        width: frame.width * by,
        height: frame.height * by,
      };
      const made = makeTile(picture, { ...wish, frame: small }, draft ? { lay: live.lay } : {});
      const { width, height, data } = made.pixels;
      const image = await createImageBitmap(new ImageData(data as Uint8ClampedArray<ArrayBuffer>, width, height));
      return transfer({ image, cell: made.cell, visibility: made.visibility, drift: made.drift }, [image]);
    } catch (error) {
      if (error instanceof TileError) return error.message;
      throw error;
    }
  },

  /** The repeat that a picture shows by itself, in the pixels of the picture itself. */
  async repeat({ url, pictureWidth }: Pick<TileOrder, 'url' | 'pictureWidth'>): Promise<OwnRepeat | undefined> {
    const picture = await pictureAt(url, pictureWidth, 1);
    const found = ownRepeat(picture);
    const by = pictureWidth / picture.width;
    return found && { ...found, width: found.width * by, height: found.height * by };
  },
};

export type TileWorker = typeof worker;

/** The picture at about a share of its size, as far as the smaller one that stands for it allows. */
async function pictureAt(url: string, pictureWidth: number, share: number): Promise<PixelImage> {
  if (fetched?.url !== url) {
    reduced.clear();
    fetched = { url, image: fetch(url).then(async (answer) => createImageBitmap(await answer.blob())) };
  }
  const whole = await fetched.image;
  const steps = Math.max(0, Math.round(Math.log(whole.width / (pictureWidth * share)) / Math.log(FINENESS)));
  const key = String(steps);
  const known = reduced.get(key);
  if (known) return known;
  const by = FINENESS ** -steps;
  const [width, height] = [Math.max(1, Math.round(whole.width * by)), Math.max(1, Math.round(whole.height * by))];
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
  if (!context) throw new Error('this browser gives no 2D canvas');
  context.imageSmoothingQuality = 'high';
  context.drawImage(whole, 0, 0, width, height);
  const picture = { width, height, data: context.getImageData(0, 0, width, height).data };
  reduced.set(key, picture);
  return picture;
}

expose(worker);
