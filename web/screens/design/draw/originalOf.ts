import type { DesignMotif } from '../../../../contract/index.ts';
import type { Artwork } from '../../../../core/motif/index.ts';
import { fetchArtwork } from '../../../api/motifs.ts';

/**
 * What a motif is opened as for a change of its own: as it was before where it has been changed in that way already.
 *
 * @param kind the kind of recipe that the change makes
 * @throws Error where the artwork is not there
 */
export function originalOf(kind: 'points' | 'masked', { recipe, artwork }: DesignMotif): Promise<Artwork> {
  const isChanged = recipe !== null && recipe.kind === kind && 'original' in recipe;
  return fetchArtwork(isChanged ? recipe.original : artwork);
}
