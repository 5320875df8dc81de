import { useId } from 'react';
import type { Matrix } from '../../../core/geometry/index.ts';
import {
  fillOf,
  flatOutlines,
  patternOntoCloth,
  type Product,
  type ProductDrawing,
  type TryOn,
} from '../../../core/tryon/index.ts';
import { formatLength } from '../../../core/units/index.ts';
import { useUnit } from '../../ui/unit.ts';
import type { LaidOut } from './layMessages.ts';
import { TEXTS } from './texts.ts';
import type { PiecePicture } from './useClothPictures.ts';

interface Props {
  readonly laid: LaidOut;
  /** Of the cloth that it was laid on, mm. */
  readonly width: number;
  /** Of the raster that it was laid by, mm. */
  readonly cell: number;
  readonly product: Product;
  readonly drawing: ProductDrawing;
  readonly tryOn: TryOn;
  /** What is printed on the pieces, as far as it is painted. */
  readonly pictures: ReadonlyMap<string, PiecePicture>;
}

/** CSS pixels that the drawing has, and of its letters. */
const [ACROSS, DOWN, LETTERS] = [600, 320, 12];

/** The cutting layout: the cloth with its length to the right, and each piece with its pattern, its name and its grain. */
export function LaidPicture({ laid: { plan, masks }, width, cell, product, drawing, tryOn, pictures }: Props) {
  const [unit] = useUnit();
  const key = useId();
  const { length } = plan;
  // A letter's height in mm, so that names are as large in the end as everything else that is read.
  const em = LETTERS / Math.min(ACROSS / (length || 1), DOWN / width);
  const outlined = new Map(flatOutlines(product, drawing).map((one) => [one.piece.id, one]));
  return (
    <svg
      viewBox={`${-2.5 * em} ${-0.5 * em} ${length + 3 * em} ${width + 3 * em}`}
      className="max-h-96 w-full rounded-sm border border-thread bg-white"
      role="img"
      aria-label={TEXTS.laidOnCloth}
      fontSize={em}
      strokeWidth={em / 12}
    >
      <rect width={length} height={width} fill="#ebe6da" />
      {plan.pieces.map(({ id, x, y, isTurned }, n) => {
        const mask = masks.find((one) => one.id === id);
        const shape = outlined.get(id);
        if (!mask || !shape) return null;
        const { piece, outline, bounds } = shape;
        const [w, h] = [mask.width * cell, mask.height * cell];
        const turned = isTurned ? `rotate(180 ${w / 2} ${h / 2})` : '';
        const picture = pictures.get(id);
        const clip = `${key}-${n}`;
        const paths = outline.map(({ path, rule, matrix }, at) => (
          <path key={at} d={path} fillRule={rule} clipRule={rule} transform={matrixText(matrix)} />
        ));
        return (
          <g key={id} data-laid-piece={id}>
            {/* The grain runs along the cloth, which lies on its side here. */}
            <g
              transform={`matrix(0 -1 1 0 0 ${width}) translate(${x} ${y}) ${turned} translate(${-mask.x} ${-mask.y}) rotate(${-piece.grain})`}
            >
              <clipPath id={clip}>{paths}</clipPath>
              <g clipPath={`url(#${clip})`}>
                <rect
                  x={bounds.left}
                  y={bounds.top}
                  width={bounds.right - bounds.left}
                  height={bounds.bottom - bounds.top}
                  fill="#c3bdb0"
                />
                {picture && (
                  <image
                    href={picture.url}
                    x={picture.left}
                    y={picture.top}
                    width={picture.right - picture.left}
                    height={picture.bottom - picture.top}
                    preserveAspectRatio="none"
                    transform={matrixText(patternOntoCloth(piece, fillOf(tryOn, id)))}
                  />
                )}
              </g>
              <g fill="none" stroke="#1f2430">
                {paths}
              </g>
            </g>
            <PieceName name={piece.name} x={y + h / 2} y={width - x - w / 2} em={em} isTurned={isTurned} />
          </g>
        );
      })}
      <g fill="#1f2430" stroke="none" textAnchor="middle">
        <text x={length / 2} y={width + 1.7 * em}>
          {formatLength(length, unit)}
        </text>
        <text transform={`translate(${-1.1 * em} ${width / 2}) rotate(-90)`}>{formatLength(width, unit)}</text>
      </g>
      <path
        d={`M0 ${width + 0.5 * em}H${length}M${-0.5 * em} 0V${width}M0 ${width + 0.25 * em}v${em / 2}M${length} ${width + 0.25 * em}v${em / 2}M${-0.75 * em} 0h${em / 2}M${-0.75 * em} ${width}h${em / 2}`}
        stroke="#5b5f69"
      />
    </svg>
  );
}

interface NameProps {
  readonly name: string;
  /** The middle of the piece, mm of the drawing. */
  readonly x: number;
  readonly y: number;
  /** A letter's height. */
  readonly em: number;
  readonly isTurned: boolean;
}

/** A piece's name over an arrow along its grain, which points to the piece's top. */
function PieceName({ name, x, y, em, isTurned }: NameProps) {
  const to = isTurned ? 1 : -1;
  const arrow = `M${-1.8 * em * to} 0H${1.8 * em * to}m${-0.5 * em * to} ${-0.3 * em}l${0.5 * em * to} ${0.3 * em}l${-0.5 * em * to} ${0.3 * em}`;
  return (
    <g transform={`translate(${x} ${y})`}>
      <g transform={`translate(0 ${0.5 * em})`} fill="none">
        <path d={arrow} stroke="#fff" strokeWidth={em / 3} />
        <path d={arrow} stroke="#1f2430" strokeWidth={em / 10} data-grain={isTurned ? 'down' : 'up'} />
      </g>
      <text
        y={-0.2 * em}
        textAnchor="middle"
        fill="#1f2430"
        stroke="#fff"
        strokeWidth={em / 3}
        paintOrder="stroke"
        strokeLinejoin="round"
        fontWeight="600"
      >
        {name}
      </text>
    </g>
  );
}

function matrixText(matrix: Matrix): string {
  return `matrix(${matrix.join(' ')})`;
}
