import { useEffect, useRef, useState, type PointerEvent } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import type { SheetDrawing } from '../../../core/scan/index.ts';
import type { CleanedPicture } from './cleanMessages.ts';
import type { HandTool } from './handTools.ts';
import { ArtworkSvg } from '../../ui/ArtworkSvg.tsx';
import { TEXTS } from './texts.ts';

/** What the cleaned picture is looked at on. */
export const GROUNDS = [
  { id: 'light', name: TEXTS.onLight, colour: '#ffffff' },
  { id: 'dark', name: TEXTS.onDark, colour: '#1b2233' },
  { id: 'colour', name: TEXTS.onAColour, colour: '#7d9c86' },
] as const;
export type GroundId = (typeof GROUNDS)[number]['id'];

interface Props {
  readonly picture: CleanedPicture;
  readonly ground: GroundId;
  readonly beside: boolean;
  /** CSS pixels to a pixel of the picture; undefined fits it to the table. */
  readonly zoom: number | undefined;
  readonly tool: HandTool;
  /** Both points are pixels of the picture. */
  readonly onStroke: (from: Point, to: Point) => void;
}

/** The picture on the workshop's table: what came of it, what it was, and what the hand draws on it. */
export function SheetTable({ picture, ground, beside, zoom, tool, onStroke }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 800, height: 600 });
  useEffect(() => {
    const place = frame.current;
    if (!place) return;
    const observer = new ResizeObserver(() =>
      setRoom({ width: place.clientWidth - 48, height: place.clientHeight - 48 }),
    );
    observer.observe(place);
    return () => observer.disconnect();
  }, []);
  const { image, before } = picture;
  const wide = Math.max(image.width, beside ? before.width : 0);
  const high = Math.max(image.height, beside ? before.height : 0);
  const scale = zoom ?? Math.min(room.height / high, (room.width - (beside ? 24 : 0)) / (beside ? 2 : 1) / wide, 4);
  const colour = GROUNDS.find(({ id }) => id === ground)?.colour ?? '#ffffff';
  return (
    <div ref={frame} className="min-h-0 grow overflow-auto bg-linen p-6">
      <div className="flex w-max min-w-full items-start justify-center gap-6">
        {beside && (
          <figure>
            <Bitmap image={before} scale={scale} label={TEXTS.theScanAsImported} />
            <figcaption className="mt-1 text-xs text-graphite">{TEXTS.asItCame}</figcaption>
          </figure>
        )}
        <figure>
          <div
            className="relative shadow-float"
            style={{ background: colour, width: image.width * scale, height: image.height * scale }}
            data-sheet-table
          >
            {picture.tracing ? (
              <ArtworkSvg artwork={picture.tracing} label={TEXTS.theTracedDrawing} className="block h-full w-full" />
            ) : (
              <Bitmap image={image} scale={scale} label={TEXTS.theCleanedScan} />
            )}
            <Drawings drawings={picture.drawings} scale={scale} />
            <Strokes tool={tool} scale={scale} onStroke={onStroke} />
          </div>
          {beside && (
            <figcaption className="mt-1 text-xs text-graphite">
              {picture.tracing ? TEXTS.tracedCountInks(picture.tracing.nodes.length) : TEXTS.cleaned}
            </figcaption>
          )}
        </figure>
      </div>
    </div>
  );
}

function Bitmap({
  image,
  scale,
  label,
}: {
  readonly image: ImageBitmap;
  readonly scale: number;
  readonly label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    // Drawn and not handed over, since the same bitmap is shown again when this part of the page is built anew.
    context?.clearRect(0, 0, image.width, image.height);
    context?.drawImage(image, 0, 0);
  }, [image]);
  return (
    <canvas
      ref={canvas}
      width={image.width}
      height={image.height}
      role="img"
      aria-label={label}
      style={{
        width: image.width * scale,
        height: image.height * scale,
        imageRendering: scale >= 2 ? 'pixelated' : 'auto',
      }}
      className="block"
    />
  );
}

/** The proposed cuts, numbered as the motifs will be. */
function Drawings({ drawings, scale }: { readonly drawings: readonly SheetDrawing[]; readonly scale: number }) {
  let number = 0;
  return drawings.map(({ label, box, isLeftOut }) => {
    if (!isLeftOut) number += 1;
    return (
      <div
        key={label}
        data-drawing={isLeftOut ? 'left-out' : number}
        style={{
          left: box.left * scale - 3,
          top: box.top * scale - 3,
          width: (box.right - box.left) * scale + 6,
          height: (box.bottom - box.top) * scale + 6,
        }}
        className={`pointer-events-none absolute rounded-sm border ${isLeftOut ? 'border-dashed border-graphite bg-calico/70' : 'border-ink shadow-[0_0_0_1px_#fff]'}`}
      >
        {!isLeftOut && (
          <span className="absolute -top-2.5 -left-2.5 grid h-5 min-w-5 place-items-center rounded-full bg-ink px-1 text-xs font-semibold text-white ring-1 ring-white">
            {number}
          </span>
        )}
      </div>
    );
  });
}

interface StrokesProps {
  readonly tool: HandTool;
  readonly scale: number;
  readonly onStroke: (from: Point, to: Point) => void;
}

/** What the hand draws on the sheet: a line or a box, and then it is done. */
function Strokes({ tool, scale, onStroke }: StrokesProps) {
  const [stroke, setStroke] = useState<readonly [Point, Point]>();
  if (tool === 'none') return null;
  const at = (event: PointerEvent<SVGSVGElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  const end = (event: PointerEvent<SVGSVGElement>): void => {
    if (!stroke) return;
    const to = at(event);
    setStroke(undefined);
    onStroke({ x: stroke[0].x / scale, y: stroke[0].y / scale }, { x: to.x / scale, y: to.y / scale });
  };
  const [a, b] = stroke ?? [];
  return (
    <svg
      className="absolute inset-0 h-full w-full cursor-crosshair touch-none"
      aria-label={TEXTS.drawOnTheScan}
      data-strokes={tool}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        setStroke([at(event), at(event)]);
      }}
      onPointerMove={(event) => {
        const to = at(event);
        setStroke((held) => held && [held[0], to]);
      }}
      onPointerUp={end}
      onPointerCancel={() => setStroke(undefined)}
    >
      {a &&
        b &&
        (tool === 'crop' ? (
          <TwoToneBox
            x={Math.min(a.x, b.x)}
            y={Math.min(a.y, b.y)}
            width={Math.abs(b.x - a.x)}
            height={Math.abs(b.y - a.y)}
          />
        ) : (
          <TwoToneLine x1={a.x} y1={a.y} x2={b.x} y2={b.y} />
        ))}
    </svg>
  );
}

function TwoToneBox(shape: {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}) {
  return (
    <g fill="none" strokeWidth="1.5">
      <rect {...shape} stroke="#fff" />
      <rect {...shape} stroke="#1f2430" strokeDasharray="6 5" />
    </g>
  );
}

function TwoToneLine(shape: { readonly x1: number; readonly y1: number; readonly x2: number; readonly y2: number }) {
  return (
    <g fill="none" strokeWidth="2">
      <line {...shape} stroke="#fff" />
      <line {...shape} stroke="#1f2430" strokeDasharray="6 5" />
    </g>
  );
}
