import { FIGURE_KINDS } from '../recipe/index.ts';

export const DRAWN = FIGURE_KINDS.filter((kind) => kind !== 'lettering');
