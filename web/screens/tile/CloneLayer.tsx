import { useState, type PointerEvent } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import type { CloneStroke } from '../../../core/recipe/index.ts';
import type { PixelCell } from '../../../core/tile/index.ts';
import { followHand } from '../../ui/followHand.ts';
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

/** Lies over the cloth while cloning: a press where to take from, then strokes that paint with what lies as far off. */
export function CloneLayer({ mode, radius, cell, onMode, onStroke }: Props) {
  const [source, setSource] = useState<Place>();
  // From what is painted over to what is taken, once a first stroke has said it.
  const [offset, setOffset] = useState<Point>();
  const [hand, setHand] = useState<Place>();

  const placeIn = (layer: HTMLElement, { clientX, clientY }: { clientX: number; clientY: number }): Place => {
    const box = layer.getBoundingClientRect();
    const scale = (layer.parentElement?.querySelector('canvas')?.width ?? box.width) / box.width;
    const at = { x: clientX - box.left, y: clientY - box.top };
    return {
      at,
      brush: (radius * cell.width) / scale,
      share: { x: (at.x * scale) / cell.width, y: (at.y * scale) / cell.height },
    };
  };
  const onDown = (event: PointerEvent<HTMLDivElement>): void => {
    const layer = event.currentTarget;
    const start = placeIn(layer, event);
    if (mode === 'take' || event.altKey || !source) {
      setSource(start);
      setOffset(undefined);
      onMode('paint');
      return;
    }
    const by = offset ?? { x: source.share.x - start.share.x, y: source.share.y - start.share.y };
    setOffset(by);
    const path = [start.share];
    const field = `clone ${performance.now()}`;
    const tell = (): void => onStroke({ path: [...path], radius, dx: by.x, dy: by.y }, field);
    tell();
    followHand(event, (moved) => {
      const { share } = placeIn(layer, moved);
      const last = path.at(-1) ?? share;
      const far = Math.hypot(share.x - last.x, ((share.y - last.y) * cell.height) / cell.width);
      if (far < APART * radius || path.length >= MOST_POINTS) return;
      path.push(share);
      tell();
    });
  };

  if (mode === 'off') return null;
  return (
    <div
      className="absolute inset-0 cursor-crosshair touch-none"
      data-clone={mode}
      onPointerDown={onDown}
      onPointerMove={(event) => setHand(placeIn(event.currentTarget, event))}
      onPointerLeave={() => setHand(undefined)}
    >
      <svg className="pointer-events-none h-full w-full" aria-hidden>
        {source && (
          <path
            d={`M${source.at.x - 8} ${source.at.y}h16M${source.at.x} ${source.at.y - 8}v16`}
            stroke="#b3402e"
            strokeWidth="2"
          />
        )}
        {hand && (
          <>
            <circle cx={hand.at.x} cy={hand.at.y} r={hand.brush} fill="none" stroke="#fff" strokeWidth="3" />
            <circle cx={hand.at.x} cy={hand.at.y} r={hand.brush} fill="none" stroke="#1f2430" strokeWidth="1" />
          </>
        )}
      </svg>
      <p className="pointer-events-none absolute bottom-2 left-1/2 -translate-x-1/2 rounded-md bg-white px-2 py-1 text-xs shadow-float">
        {mode === 'take' || !source ? TEXTS.pressWhereToTakeFrom : TEXTS.paintOver}
      </p>
    </div>
  );
}
