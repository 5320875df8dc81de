import type { DesignMotif } from '../../contract/index.ts';

/** The page on which a motif was made, or can be made anew. */
export type Maker =
  | { readonly page: 'array' | 'shape'; readonly path: string }
  /** Its picture is looked for first. */
  | { readonly page: 'tile' | 'cleaned' | 'uncleaned' };

/** What the making of a motif is known by. */
export type Made = Pick<DesignMotif, 'id' | 'recipe' | 'source'>;

/** @returns undefined where a motif is changed on the cloth alone */
export function makerOf({ id, recipe, source }: Made): Maker | undefined {
  if (recipe?.kind === 'array') return { page: 'array', path: `/arrays/${id}` };
  if (recipe?.kind === 'shape') return { page: 'shape', path: `/build/${id}` };
  if (recipe?.kind === 'tile') return { page: 'tile' };
  if (recipe?.kind === 'scan') return { page: 'cleaned' };
  const isPicture = (recipe === null || recipe.kind === 'merged') && /\.(png|jpg|webp|tif|avif)$/.test(source);
  return isPicture ? { page: 'uncleaned' } : undefined;
}
