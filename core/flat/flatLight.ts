import { channels, type Hex } from '../colour/index.ts';
import type { ArtworkNode, Paint } from '../motif/index.ts';

/** sRGB is close to a power of this over the middle of its range; formats of shapes multiply what is encoded, not light. */
const GAMMA = 2.2;

/** The light on cloth as shapes that lie on it. */
export interface FlatLight {
  /** Black, laid over the cloth as usual. */
  readonly darker: readonly ArtworkNode[];
  /** Greys that divide what is below them, as color-dodge does. */
  readonly lighter: readonly ArtworkNode[];
}

/**
 * Light for formats that mix colours as they are encoded. Each shape multiplies linear light by 1 + opacity · (2 · grey − 1); here it
 * multiplies what is encoded by that to the power of 1 / 2.2.
 */
export function flatLight(nodes: readonly ArtworkNode[]): FlatLight {
  return { darker: only(nodes, 1, darkening), lighter: only(nodes, 1, lightening) };
}

interface Laid {
  readonly ink: Hex;
  readonly opacity: number;
}

/** One kind of light. */
interface Laying {
  /** How a colour of light and its opacity are laid on; nothing where they are not of this kind. */
  readonly lay: (ink: Hex, opacity: number) => Laid | undefined;
  /** What changes nothing. */
  readonly none: Laid;
}

const factorOf = (ink: Hex, opacity: number): number =>
  (1 + opacity * ((2 * channels(ink)[0]) / 255 - 1)) ** (1 / GAMMA);

const darkening: Laying = {
  lay(ink, opacity) {
    const factor = factorOf(ink, opacity);
    return factor < 1 ? { ink: '#000000', opacity: 1 - factor } : undefined;
  },
  none: { ink: '#000000', opacity: 0 },
};

const lightening: Laying = {
  lay(ink, opacity) {
    const grey = 1 - 1 / factorOf(ink, opacity);
    const digits = Math.round(255 * grey)
      .toString(16)
      .padStart(2, '0');
    return grey > 0 ? { ink: `#${digits.repeat(3)}`, opacity: 1 } : undefined;
  },
  none: { ink: '#000000', opacity: 1 },
};

/** The shapes of one kind. @param within the opacity of the groups around them */
function only(nodes: readonly ArtworkNode[], within: number, laying: Laying): ArtworkNode[] {
  return nodes.flatMap((node): ArtworkNode[] => {
    if (node.kind === 'picture') return [];
    if (node.kind === 'group') {
      const children = only(node.children, within * node.opacity, laying);
      return children.length > 0 ? [{ ...node, opacity: 1, children }] : [];
    }
    const fill = node.fill && laid(node.fill, within, laying);
    const paint = node.stroke && laid(node.stroke.paint, within, laying);
    const stroke = node.stroke && paint && { ...node.stroke, paint };
    return fill || stroke ? [{ ...node, fill, stroke }] : [];
  });
}

function laid(paint: Paint, within: number, { lay, none }: Laying): Paint | undefined {
  if (paint.kind === 'ink') {
    const on = lay(paint.ink, paint.opacity * within);
    return on && { ...paint, ...on };
  }
  const stops = paint.stops.map(({ offset, ink, opacity }) => ({ offset, on: lay(ink, opacity * within) }));
  if (stops.every(({ on }) => !on)) return undefined;
  return { ...paint, stops: stops.map(({ offset, on }) => ({ offset, ...(on ?? none) })) };
}
