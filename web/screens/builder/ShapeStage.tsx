import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import type { Artwork } from '../../../core/motif/index.ts';
import { takeArrow } from '../../ui/arrowSteps.ts';
import { ArtworkSvg } from '../../ui/ArtworkSvg.tsx';
import { FadeHandles, type FadeProps } from './FadeHandles.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly artwork: Artwork;
  /** Each piece's outline, bottom to top, mm. */
  readonly outlines: readonly string[];
  readonly chosen: number;
  readonly ground: string;
  readonly onChoose: (index: number) => void;
  /** Where each piece lies, mm. */
  readonly places: readonly Point[];
  /** Moves a piece to a place, mm. */
  readonly onMove: (index: number, to: Point) => void;
  /** The fade of the chosen piece, whose handles are shown. */
  readonly fading: Omit<FadeProps, 'size' | 'mm'> | undefined;
}

/** Room around the motif, as a share of its longer side. */
const ROOM = 0.16;
/** An arrow key moves a piece so far, mm; ten times as far with Shift. */
const NUDGE_MM = 0.5;

/** The motif large, its chosen piece outlined; pieces are taken and moved where they lie. */
export function ShapeStage({ artwork, outlines, places, chosen, ground, onChoose, onMove, fading }: Props) {
  // Where the pointer took hold of the piece, from the piece's own place: a move that is not shown yet is not lost.
  const held = useRef<Point>(undefined);
  // While a piece moves the frame stands still, or the piece would run away from the hand.
  const [frozen, setFrozen] = useState<Artwork['view']>();
  const room = Math.max(artwork.view.width, artwork.view.height) * ROOM;
  const view = frozen ?? {
    x: artwork.view.x - room,
    y: artwork.view.y - room,
    width: artwork.view.width + 2 * room,
    height: artwork.view.height + 2 * room,
  };
  const mm = (event: PointerEvent<SVGElement>): Point => {
    const svg = event.currentTarget.ownerSVGElement as SVGSVGElement;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform((svg.getScreenCTM() as DOMMatrix).inverse());
    return { x: p.x, y: p.y };
  };
  const onKey = (event: KeyboardEvent): void => {
    const by = takeArrow(event, NUDGE_MM);
    const place = places[chosen];
    if (by && place) onMove(chosen, { x: place.x + by.x, y: place.y + by.y });
  };
  return (
    <div
      className="relative min-h-0 min-w-0 grow"
      style={{ background: ground }}
      tabIndex={0}
      role="application"
      aria-label={TEXTS.theMotifArrowsMoveThe}
      onKeyDown={onKey}
      data-stage
    >
      <ArtworkSvg artwork={artwork} label={TEXTS.theMotif} view={view} className="absolute inset-0 h-full w-full" />
      <svg
        viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
        className="absolute inset-0 h-full w-full touch-none"
        aria-hidden
      >
        {outlines.map((outline, n) => (
          <path
            key={n}
            d={outline}
            data-piece={n}
            fill="transparent"
            stroke="transparent"
            strokeWidth={room * 0.2}
            className="cursor-move"
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              onChoose(n);
              const at = mm(event);
              const place = places[n] ?? at;
              held.current = { x: at.x - place.x, y: at.y - place.y };
              setFrozen(view);
            }}
            onPointerMove={(event) => {
              if (!held.current || n !== chosen) return;
              const to = mm(event);
              onMove(n, { x: to.x - held.current.x, y: to.y - held.current.y });
            }}
            onPointerUp={() => {
              held.current = undefined;
              setFrozen(undefined);
            }}
          />
        ))}
        {outlines.length > 1 && outlines[chosen] && (
          <g fill="none" pointerEvents="none">
            <path d={outlines[chosen]} stroke="#fff" strokeWidth="2.5" vectorEffect="non-scaling-stroke" />
            <path
              d={outlines[chosen]}
              stroke="#1f2430"
              strokeWidth="1.25"
              strokeDasharray="5 4"
              vectorEffect="non-scaling-stroke"
            />
          </g>
        )}
        {fading && <FadeHandles {...fading} size={room * 0.14} mm={mm} />}
      </svg>
    </div>
  );
}
