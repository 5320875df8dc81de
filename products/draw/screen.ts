import { flatAt, rectangle } from './parts.ts';
import { Scene, smooth } from './scene.ts';

/** A pixel of the web is a 96th of an inch. */
const PIXEL = 25.4 / 96;

function banner(id: string, name: string, width: number, height: number, seed: number): Scene {
  const size = `${width} × ${height} px`;
  const scene = new Scene({ id, name, group: 'screen', size, width, height, backdrop: 'chalk' }, seed);
  const whole = rectangle(0, 0, width, height);
  const path = `M${whole.map(([x, y]) => `${x} ${y}`).join('L')}Z`;
  scene.piece(
    {
      id: 'banner',
      name: 'Banner',
      face: flatAt(0, 0, PIXEL),
      datum: { x: (width * PIXEL) / 2, y: (height * PIXEL) / 2 },
    },
    path,
  );
  // A plate for words, which is all that a banner has to leave free.
  const [w, h] = [width * 0.42, height * 0.36];
  const [x, y] = [(width - w) / 2, (height - h) / 2];
  const plate = (by: number): string =>
    smooth(
      [
        [x + by, y + by],
        [x + w / 2, y + by - 4],
        [x + w - by, y + by],
        [x + w - by, y + by],
        [x + w - by + 3, y + h / 2],
        [x + w - by, y + h - by],
        [x + w - by, y + h - by],
        [x + w / 2, y + h - by + 4],
        [x + by, y + h - by],
        [x + by, y + h - by],
        [x + by - 3, y + h / 2],
        [x + by, y + by],
      ],
      24,
    );
  scene.path('over', 'chalk', plate(0));
  scene.strip(
    'over',
    'indigo',
    [
      [x + w * 0.2, y + h * 0.42],
      [x + w * 0.5, y + h * 0.41],
      [x + w * 0.8, y + h * 0.42],
    ],
    h * 0.11,
  );
  scene.strip(
    'over',
    'slate',
    [
      [x + w * 0.3, y + h * 0.64],
      [x + w * 0.5, y + h * 0.645],
      [x + w * 0.7, y + h * 0.64],
    ],
    h * 0.05,
  );
  return scene;
}

export const phoneBanner = (): Scene => banner('phone-banner', 'Phone banner', 1280, 720, 31);
export const wideBanner = (): Scene => banner('wide-banner', 'Wide banner', 1920, 1080, 32);
