import { useRef, useState } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import type { CloneStroke } from '../../../core/recipe/index.ts';
import type { PixelCell } from '../../../core/tile/index.ts';
import { BrushLayer } from '../../ui/BrushLayer.tsx';
import { TEXTS } from './texts.ts';

/** What a press on the cloth does: nothing, say where to take from, or paint. */
export type CloneMode = 'off' | 'take' | 'paint';

interface Props {
  readonly mode: CloneMode;
  /** Of the brush, a share of the cell's width. */
  readonly radius: number;
  readonly cell: PixelCell;
  readonly onMode: (mode: CloneMode) => void;
  /** A stroke as far as it has come; every call of one drag has the same field. */
  readonly onStroke: (stroke: CloneStroke, field: string) => void;
}

/** A place of the cloth. */
interface Place {
  /** In the layer, CSS pixels, and how many of them the brush's radius is. */
  readonly at: Point;
  readonly brush: number;
  /** Shares of the cell's width and height. */
  readonly share: Point;
}

/** Points of a stroke lie so far apart at least, in shares of the brush's radius. */
const APART = 0.3;
const MOST_POINTS = 500;

/** A stroke under the hand. */
interface Stroke {
  readonly path: Point[];
  /** From what is painted over to what is taken. */
  readonly by: Point;
  readonly field: string;
}

/** Lies over the cloth while cloning: a press where to take from, then strokes that paint with what lies as far off. */
export function CloneLayer({ mode, radius, cell, onMode, onStroke }: Props) {
  const [source, setSource] = useState<Place>();
  // From what is painted over to what is taken, once a first stroke has said it.
  const [offset, setOffset] = useState<Point>();
  const stroke = useRef<Stroke>(undefined);

  const placeIn = (layer: HTMLElement, at: Point): Place => {
    const width = layer.getBoundingClientRect().width;
    const scale = (layer.parentElement?.querySelector('canvas')?.width ?? width) / width;
    return {
      at,
      brush: (radius * cell.width) / scale,
      share: { x: (at.x * scale) / cell.width, y: (at.y * scale) / cell.height },
    };
  };
  const tell = ({ path, by, field }: Stroke): void => onStroke({ path: [...path], radius, dx: by.x, dy: by.y }, field);
  const take = (place: Place): void => {
    setSource(place);
    setOffset(undefined);
    onMode('paint');
  };
  const begin = (at: Point, layer: HTMLElement, isAlt: boolean): void => {
    const start = placeIn(layer, at);
    if (mode === 'take' || isAlt || !source) {
      take(start);
      return;
    }
    const by = offset ?? { x: source.share.x - start.share.x, y: source.share.y - start.share.y };
    setOffset(by);
    stroke.current = { path: [start.share], by, field: `clone ${performance.now()}` };
    tell(stroke.current);
  };
  const go = (at: Point, layer: HTMLElement): void => {
    if (!stroke.current) return;
    const { share } = placeIn(layer, at);
    const { path } = stroke.current;
    const last = path.at(-1) ?? share;
    const far = Math.hypot(share.x - last.x, ((share.y - last.y) * cell.height) / cell.width);
    if (far < APART * radius || path.length >= MOST_POINTS) return;
    path.push(share);
    tell(stroke.current);
  };
  const end = (): void => {
    stroke.current = undefined;
  };
  if (mode === 'off') return null;
  return (
    <BrushLayer
      brush={{ begin, go, end }}
      label={TEXTS.cloneKeys}
      radiusOn={(layer) => placeIn(layer, { x: 0, y: 0 }).brush}
      data-clone={mode}
    >
      {source && (
        <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
          <path
            d={`M${source.at.x - 8} ${source.at.y}h16M${source.at.x} ${source.at.y - 8}v16`}
            stroke="#b3402e"
            strokeWidth="2"
          />
        </svg>
      )}
      <p className="pointer-events-none absolute bottom-2 left-1/2 -translate-x-1/2 rounded-md bg-white px-2 py-1 text-xs shadow-float">
        {mode === 'take' || !source ? TEXTS.pressWhereToTakeFrom : TEXTS.paintOver}
      </p>
    </BrushLayer>
  );
}
