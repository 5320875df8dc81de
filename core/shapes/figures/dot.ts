import { Pen } from '../../motif/index.ts';
import { type Figure, millimetres } from '../figure.ts';

export const dot: Figure = {
  name: 'Dot',
  measures: [millimetres('width', 'Width', 16), millimetres('height', 'Height', 16)],
  outline: ({ width = 0, height = 0 }) => new Pen().ellipse(0, 0, width / 2, height / 2).toString(),
};
