import type { Point } from '../geometry/index.ts';
import type { Artwork, ArtworkNode } from '../motif/index.ts';
import { formatNumber } from '../units/index.ts';
import type { DrawnProduct } from './outlineProduct.ts';
import { FIRST_WALL, type Wall } from './rolls.ts';

/** The id of the wall, whose size is the try-on's own. */
export const WALL_ID = 'wall';

const TONES = {
  floor: '#d3bb97',
  skirting: '#fbf8f1',
  door: '#8b93a0',
  panel: '#757e8d',
  wood: '#b98f62',
  bark: '#8f6a45',
  knob: '#d8a63a',
} as const;
type Tone = keyof typeof TONES;

/** mm around the wall in its picture, and of the floor in front of it. */
const [AROUND, FLOOR] = [140, 420];
/** mm that a door needs of a wall's width, and a chair beside it. */
const [DOOR_ROOM, CHAIR_ROOM] = [1500, 2300];

/** A wall seen straight on, with a door and a chair for scale where there is room for them. */
export function wallProduct({ width, height }: Pick<Wall, 'width' | 'height'> = FIRST_WALL): DrawnProduct {
  const scene = { width: width + 2 * AROUND, height: height + AROUND + FLOOR };
  const view = { x: 0, y: 0, ...scene };
  const [left, top, ground] = [AROUND, AROUND, AROUND + height];
  const layer = (nodes: readonly ArtworkNode[]): Artwork => ({ version: 1, view, nodes: [...nodes] });
  const box = (tone: Tone, x: number, up: number, w: number, h: number): ArtworkNode =>
    shape(tone, [
      { x: left + x, y: ground - up },
      { x: left + x + w, y: ground - up },
      { x: left + x + w, y: ground - up - h },
      { x: left + x, y: ground - up - h },
    ]);
  const over = [box('skirting', 0, 0, width, 110)];
  if (width >= DOOR_ROOM && height >= 2150) over.push(...door(box, width - 1150));
  if (width >= CHAIR_ROOM) over.push(...chair(box, width * 0.2));
  return {
    product: {
      version: 1,
      id: WALL_ID,
      name: 'Wall, straight on',
      group: 'home',
      size: `${formatNumber(width, 0)} × ${formatNumber(height, 0)} mm`,
      ...scene,
      backdrop: '#ebe6da',
      pieces: [
        {
          id: 'wall',
          name: 'Wall',
          face: { kind: 'flat', x: left, y: top, unit: 1, rotation: 0 },
          grain: 0,
          datum: { x: 0, y: 0 },
        },
      ],
    },
    drawing: {
      under: layer([shape('floor', corners(0, ground, scene.width, FLOOR))]),
      light: layer([]),
      over: layer(over),
      outlines: [{ id: 'wall', artwork: layer([shape('floor', corners(left, top, width, height))]) }],
    },
  };
}

type Box = (tone: Tone, x: number, up: number, width: number, height: number) => ArtworkNode;

/** 762 × 1981 mm in its frame. */
function door(box: Box, x: number): ArtworkNode[] {
  return [
    box('skirting', x, 0, 900, 2050),
    box('door', x + 69, 0, 762, 1981),
    ...[x + 160, x + 490].flatMap((at) => [box('panel', at, 220, 250, 760), box('panel', at, 1110, 250, 720)]),
    box('knob', x + 110, 1010, 34, 34),
  ];
}

/** Its seat 450 mm high. */
function chair(box: Box, x: number): ArtworkNode[] {
  return [
    box('bark', x, -90, 40, 1030),
    box('bark', x + 400, -90, 40, 1030),
    box('wood', x + 40, 700, 360, 60),
    box('wood', x + 40, 850, 360, 70),
    box('wood', x - 20, 400, 480, 50),
    box('wood', x - 10, -150, 44, 550),
    box('wood', x + 406, -150, 44, 550),
  ];
}

function shape(tone: Tone, points: readonly Point[]): ArtworkNode {
  return {
    kind: 'path',
    path: `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}Z`,
    rule: 'nonzero',
    strokeFirst: false,
    fill: { kind: 'ink', ink: TONES[tone], opacity: 1 },
  };
}

const corners = (x: number, y: number, width: number, height: number): Point[] => [
  { x, y },
  { x: x + width, y },
  { x: x + width, y: y + height },
  { x, y: y + height },
];
