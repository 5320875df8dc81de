import { Pen } from '../../motif/index.ts';
import { type Figure, millimetres } from '../figure.ts';

export const block: Figure = {
  name: 'Block',
  measures: [millimetres('width', 'Width', 20), millimetres('height', 'Height', 20)],
  outline: ({ width = 0, height = 0 }) => {
    const [w, h] = [width / 2, height / 2];
    return new Pen().move(-w, -h).line(w, -h).line(w, h).line(-w, h).close().toString();
  },
};
