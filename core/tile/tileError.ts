/** Why a picture cannot be made a tile in this way, in a sentence for the person. */
export class TileError extends Error {
  override readonly name = 'TileError';
}
