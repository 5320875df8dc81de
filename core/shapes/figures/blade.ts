import { Pen } from '../../motif/index.ts';
import { type Figure, millimetres, share } from '../figure.ts';

/** A blade of grass, wide at its foot and bent at its tip. */
export const blade: Figure = {
  name: 'Blade',
  measures: [
    millimetres('height', 'Length', 60),
    millimetres('width', 'Width', 7),
    share('bend', 'Bend', 30, -100, 100),
  ],
  outline: ({ height = 0, width = 0, bend = 0 }) => {
    const [top, foot] = [-height / 2, height / 2];
    const half = width / 2;
    const tip = (height * bend) / 200;
    // The whole is as wide as it reaches, so it is set about its own middle.
    const shift = -tip / 2;
    return new Pen()
      .move(shift + tip, top)
      .curve(shift + tip * 0.35 + half * 0.5, top + height * 0.25, shift + half, top + height * 0.6, shift + half, foot)
      .line(shift - half, foot)
      .curve(shift - half, top + height * 0.55, shift + tip * 0.2 - half * 0.2, top + height * 0.2, shift + tip, top)
      .close()
      .toString();
  },
  fades: true,
};
