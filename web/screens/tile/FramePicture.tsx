import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import type { CheckedSeams } from '../../../contract/index.ts';
import type { Point } from '../../../core/geometry/index.ts';
import { cellCorners, proportionOf } from '../../../core/lattice/index.ts';
import type { PictureFrame } from '../../../core/recipe/index.ts';
import type { TileWish } from '../../../core/tile/index.ts';
import { CORNERS, movedFrame, placeInFrame, resizedFrame, type Sheet, turnedFrame } from './frameHands.ts';
import { takeArrow } from '../../ui/arrowSteps.ts';
import { followHand } from '../../ui/followHand.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly url: string;
  readonly sheet: Sheet;
  readonly wish: TileWish;
  /** Where the edges of a ready tile do not meet. */
  readonly breaks: CheckedSeams | undefined;
  readonly onFrame: (frame: PictureFrame, field: string) => void;
}

/** How far the pin that turns the frame stands off it, CSS pixels. */
const PIN_OFF = 26;

/** The picture with the frame on it: dragged, resized by its corners, turned by its pin, moved by arrow keys. */
export function FramePicture({ url, sheet, wish, breaks, onFrame }: Props) {
  const room = useRef<HTMLDivElement>(null);
  const [scale, setScale] = useState(0.1);
  useEffect(() => {
    const place = room.current;
    if (!place) return;
    const observer = new ResizeObserver(() =>
      setScale(Math.min((place.clientWidth - 32) / sheet.width, (place.clientHeight - 32) / sheet.height)),
    );
    observer.observe(place);
    return () => observer.disconnect();
  }, [sheet.width, sheet.height]);
  const svg = useRef<SVGSVGElement>(null);
  const { frame, way } = wish;
  const proportion = proportionOf(way.step);

  const onPicture = (event: { readonly clientX: number; readonly clientY: number }): Point => {
    const box = svg.current?.getBoundingClientRect();
    return { x: (event.clientX - (box?.left ?? 0)) / scale, y: (event.clientY - (box?.top ?? 0)) / scale };
  };
  /** Follows the hand from a press on; what it does is told by where it is and where it began. */
  const follow = (
    event: PointerEvent<SVGElement>,
    next: (to: Point, from: Point, shift: boolean) => PictureFrame,
  ): void => {
    const from = onPicture(event);
    // Each drag is one change of its own.
    const field = `drag ${performance.now()}`;
    followHand(event, (moved) => onFrame(next(onPicture(moved), from, moved.shiftKey), field));
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = takeArrow(event);
    if (by) onFrame(movedFrame(frame, by, sheet), 'keys');
  };

  const shape = cellCorners({ width: 2, height: 2, step: way.step }).map(({ x, y }) =>
    placeInFrame(frame, { x: x - 1, y: y - 1 }),
  );
  const pin = placeInFrame(frame, { x: 0, y: -1 - (2 * PIN_OFF) / scale / frame.height });
  const top = placeInFrame(frame, { x: 0, y: -1 });
  const points = shape.map(({ x, y }) => `${x * scale},${y * scale}`).join(' ');
  return (
    <div ref={room} className="grid min-h-0 min-w-0 grow place-items-center overflow-hidden bg-linen">
      <svg
        ref={svg}
        width={sheet.width * scale}
        height={sheet.height * scale}
        className="touch-none overflow-visible shadow-float select-none"
        data-frame-scale={scale}
      >
        <image href={url} width="100%" height="100%" preserveAspectRatio="none" />
        <path
          d={`M0 0H${sheet.width * scale}V${sheet.height * scale}H0Z M${points.replaceAll(' ', 'L')}Z`}
          fillRule="evenodd"
          fill="#f1efe9"
          fillOpacity="0.55"
          pointerEvents="none"
        />
        <line
          x1={top.x * scale}
          y1={top.y * scale}
          x2={pin.x * scale}
          y2={pin.y * scale}
          stroke="#1f2430"
          pointerEvents="none"
        />
        <polygon
          points={points}
          role="application"
          aria-label={TEXTS.frame}
          tabIndex={0}
          fill="transparent"
          stroke="#1f2430"
          strokeWidth="1.5"
          className="cursor-move outline-none focus-visible:[stroke-width:3]"
          onKeyDown={onKeyDown}
          onPointerDown={(event) =>
            follow(event, (to, from) => movedFrame(frame, { x: to.x - from.x, y: to.y - from.y }, sheet))
          }
        />
        {breaks && <BreakMarks seams={breaks} frame={frame} scale={scale} />}
        {CORNERS.map((corner) => {
          const at = placeInFrame(frame, corner);
          return (
            <rect
              key={`${corner.x} ${corner.y}`}
              x={at.x * scale - 6}
              y={at.y * scale - 6}
              width="12"
              height="12"
              rx="2"
              fill="#fff"
              stroke="#1f2430"
              strokeWidth="1.5"
              className="cursor-nwse-resize"
              data-corner={`${corner.x} ${corner.y}`}
              onPointerDown={(event) =>
                follow(event, (to, _from, shift) =>
                  resizedFrame(frame, corner, to, proportion ?? (shift ? frame.height / frame.width : undefined)),
                )
              }
            >
              <title>{TEXTS.resizeTheFrame}</title>
            </rect>
          );
        })}
        <circle
          cx={pin.x * scale}
          cy={pin.y * scale}
          r="7"
          fill="#fff"
          stroke="#1f2430"
          strokeWidth="1.5"
          className="cursor-grab"
          data-turn-frame
          onPointerDown={(event) => follow(event, (to, _from, shift) => turnedFrame(frame, to, shift))}
        >
          <title>{TEXTS.turnTheFrame}</title>
        </circle>
      </svg>
    </div>
  );
}

/** Marks beyond this many say nothing more. */
const MOST_MARKS = 4000;

/** A tick at both edges for every row or column in which they do not meet. */
function BreakMarks({
  seams,
  frame,
  scale,
}: {
  readonly seams: CheckedSeams;
  readonly frame: PictureFrame;
  readonly scale: number;
}) {
  const ticks = [
    ...seams.breaks.sides.flatMap((row) =>
      [-1, 1].map((x) => [
        { x, y: (2 * row + 1) / seams.height - 1 },
        { x: x * 1.03, y: (2 * row + 1) / seams.height - 1 },
      ]),
    ),
    ...seams.breaks.ends.flatMap((column) =>
      [-1, 1].map((y) => [
        { x: (2 * column + 1) / seams.width - 1, y },
        { x: (2 * column + 1) / seams.width - 1, y: y * 1.03 },
      ]),
    ),
  ].slice(0, MOST_MARKS);
  const path = ticks
    .map((ends) =>
      ends
        .map((at) => placeInFrame(frame, at))
        .map(({ x, y }) => `${x * scale} ${y * scale}`)
        .join('L'),
    )
    .map((tick) => `M${tick}`)
    .join('');
  return <path d={path} stroke="#b3402e" strokeWidth="2" pointerEvents="none" data-breaks={ticks.length} />;
}
