import { FIGURES } from '../../../core/shapes/index.ts';
import { formatNumber, PAGE_SIZES } from '../../../core/units/index.ts';
import { type DrawnOutline, outlineIn, proportionOf } from './drawnOutline.ts';
import { TEXTS } from './texts.ts';

/** A shape of cloth with nothing around it; mm. */
export interface PlainShape {
  readonly kind: 'rectangle' | 'circle' | 'heart' | 'outline';
  readonly width: number;
  readonly height: number;
  /** What was drawn last, be it chosen or not. */
  readonly outline?: DrawnOutline;
}

/** Whether it can be made: an outline has to be drawn first. */
export function isDrawn({ kind, outline }: PlainShape): boolean {
  return kind !== 'outline' || outline !== undefined;
}

/** A shape of another size; an outline stays in proportion. */
export function resized(shape: PlainShape, size: Partial<Pick<PlainShape, 'width' | 'height'>>): PlainShape {
  const { kind, outline } = shape;
  if (kind !== 'outline' || !outline) return { ...shape, ...size };
  const proportion = proportionOf(outline);
  const width = size.width ?? (size.height === undefined ? shape.width : size.height / proportion);
  return { ...shape, width, height: width * proportion };
}

/** The name of a shape: that of its size where it has one. */
export function shapeName({ kind, width, height }: PlainShape): string {
  const named = PAGE_SIZES.find((size) => size.width === width && size.height === height);
  if (kind === 'rectangle' && named) return named.name;
  return TEXTS.shapeOf(kind, formatNumber(width, 1), formatNumber(height, 1));
}

/** A drawing of a shape at its size, that a product is made of. */
export function shapeFile(shape: PlainShape): File {
  const { width, height } = shape;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">${drawn(shape)}</svg>`;
  return new File([svg], `${shapeName(shape)}.svg`, { type: 'image/svg+xml' });
}

function drawn({ kind, width, height, outline: hand }: PlainShape): string {
  const [x, y] = [width / 2, height / 2];
  switch (kind) {
    case 'rectangle':
      return `<rect width="${width}" height="${height}"/>`;
    case 'circle':
      return `<ellipse cx="${x}" cy="${y}" rx="${x}" ry="${y}"/>`;
    case 'outline':
      return hand ? `<path d="${outlineIn(hand, width, height)}"/>` : '';
    case 'heart': {
      const { measures, outline } = FIGURES.heart;
      const usual = Object.fromEntries(measures.map(({ key, usual: value }) => [key, value]));
      return `<path transform="translate(${x} ${y})" d="${outline({ ...usual, width, height })}"/>`;
    }
  }
}
