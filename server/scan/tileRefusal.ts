import { TileError } from '../../core/tile/index.ts';
import { Problem } from '../problem.ts';

/** @throws Problem where the picture cannot be made a tile in this way */
export function orRefused<T>(make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (error instanceof TileError) throw new Problem(422, 'No tile', error.message);
    throw error;
  }
}
