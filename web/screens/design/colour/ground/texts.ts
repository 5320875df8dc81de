import type { GroundKind } from '../../../../../core/colourway/index.ts';
import type { TexturedGround } from '../../../../../core/document/index.ts';

const KIND_NAMES: Readonly<Record<GroundKind, string>> = {
  none: 'None',
  flat: 'One ink',
  gradient: 'Gradient',
  stripes: 'Stripes',
  checks: 'Checks',
  texture: 'Texture',
};

const TEXTURE_NAMES: Readonly<Record<TexturedGround['texture'], string>> = {
  linen: 'Linen',
  laid: 'Laid paper',
  grain: 'Grain',
  brush: 'Brush',
};

/** All texts of this part of the interface, to be read, and translated, in one go. */
export const TEXTS = {
  ground: 'Ground',
  kind: 'Kind of ground',
  kindName: (kind: GroundKind): string => KIND_NAMES[kind],
  changedTheGround: 'Changed the ground',
  exportedFilesAreTransparent: 'Exported files are transparent.',
  stopInk: (n: number): string => `Ink ${n}`,
  stopAt: (n: number): string => `Ink ${n} at`,
  removeStop: (n: number): string => `Remove ink ${n}`,
  addStop: 'Add an ink',
  wavesAcross: 'Waves across',
  wavesDown: 'Waves down',
  across: 'Checks across',
  down: 'Checks down',
  closes: (across: number, down: number): string =>
    `This step needs ${across === 0 ? '' : `${across} across`}${across !== 0 && down !== 0 ? ' and ' : ''}${down === 0 ? '' : `${down} down`} to close, so that is what is used.`,
  band: 'Band',
  crossing: 'Where bands cross',
  woven: 'Woven',
  exchanged: 'Exchanged',
  groundInk: 'Ground ink',
  bandInk: 'Band ink',
  marksInk: 'Ink of the marks',
  shade: 'A shade of the ground',
  texture: 'Texture',
  textureName: (texture: TexturedGround['texture']): string => TEXTURE_NAMES[texture],
  size: 'Size',
  strength: 'Strength',
  motifAsGround: 'A motif that fills the cell',
  chooseAMotif: 'Choose a motif …',
  fillTheCell: 'Fill the cell',
  removeIt: 'Remove',
  laidMotifAsGround: 'Filled the cell with a motif',
  liftedMotifGround: 'Removed the motif behind',
  motifCannotFillTheCell: 'This motif cannot be made as large as the cell. Nothing was changed; choose another.',
  seed: 'Seed',
};
