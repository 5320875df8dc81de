import { type PointerEvent, useEffect, useRef, useState } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import { type MarkedFace, type MaskedPhoto, type MaskStep, rimOf } from '../../../core/tryon/index.ts';
import type { MaskTool } from './MaskFields.tsx';
import { type KnownMask, makeMask } from './photoPixels.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly face: MarkedFace;
  readonly photo: MaskedPhoto | undefined;
  readonly tool: MaskTool;
  /** CSS pixels to a pixel of the photograph as it is kept. */
  readonly scale: number;
  readonly onStep: (step: MaskStep) => void;
}

const NOTHING: readonly MaskStep[] = [];
/** Points of one stroke; it goes on as another. */
const MOST_POINTS = 2000;

/** What a face's mask hides, in white, over the photograph; a brush and a picker where one of them is in hand. */
export function MaskLayer({ face, photo, tool, scale, onStep }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [stroke, setStroke] = useState<Extract<MaskStep, { kind: 'stroke' }>>();
  const known = useRef<KnownMask>(undefined);
  const { face: marked, mask: steps = NOTHING } = face;
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context || !photo) return;
    const kept = makeMask(photo, steps, known.current);
    known.current = kept;
    const { mask } = stroke ? makeMask(photo, [...steps, stroke], kept) : kept;
    drawHidden(context, photo, mask, rimOf(marked));
  }, [photo, steps, stroke, marked]);
  const pointAt = (event: PointerEvent<HTMLElement>): Point => {
    const box = event.currentTarget.getBoundingClientRect();
    const tenth = (px: number): number => Math.round((px / scale) * 10) / 10;
    return { x: tenth(event.clientX - box.left), y: tenth(event.clientY - box.top) };
  };
  const begin = (event: PointerEvent<HTMLElement>): void => {
    const at = pointAt(event);
    if (tool.kind === 'pick') {
      onStep({ kind: 'pick', shows: tool.shows, at, tolerance: tool.tolerance });
      return;
    }
    event.currentTarget.setPointerCapture(event.pointerId);
    setStroke({ kind: 'stroke', shows: tool.shows, width: tool.width, points: [at] });
  };
  const go = (event: PointerEvent<HTMLElement>): void => {
    if (!stroke) return;
    const at = pointAt(event);
    const last = stroke.points.at(-1) ?? at;
    // Less than a quarter of the brush changes next to nothing.
    if (Math.hypot(at.x - last.x, at.y - last.y) < Math.min(4, stroke.width / 4)) return;
    if (stroke.points.length < MOST_POINTS) setStroke({ ...stroke, points: [...stroke.points, at] });
    else {
      onStep(stroke);
      setStroke({ ...stroke, points: [at] });
    }
  };
  const end = (): void => {
    if (stroke) onStep(stroke);
    setStroke(undefined);
  };
  return (
    <>
      <canvas
        ref={canvas}
        width={photo?.width ?? 1}
        height={photo?.height ?? 1}
        className="pointer-events-none absolute inset-0 h-full w-full"
        role="img"
        aria-label={TEXTS.maskOf(face.name)}
      />
      {tool.kind !== 'points' && (
        <div
          className="absolute inset-0 cursor-crosshair touch-none"
          data-mask-tool={tool.kind}
          onPointerDown={begin}
          onPointerMove={go}
          onPointerUp={end}
          onPointerCancel={end}
        />
      )}
    </>
  );
}

/** Lays white over what is hidden of a face. */
function drawHidden(
  context: CanvasRenderingContext2D,
  { width, height, scale }: MaskedPhoto,
  mask: Uint8Array,
  outline: readonly Point[],
): void {
  const pixels = context.createImageData(width, height);
  mask.forEach((level, pixel) => {
    pixels.data.fill(255, pixel * 4, pixel * 4 + 3);
    pixels.data[pixel * 4 + 3] = (255 - level) * 0.72;
  });
  context.putImageData(pixels, 0, 0);
  // Beside the face nothing is hidden.
  context.globalCompositeOperation = 'destination-in';
  context.beginPath();
  for (const { x, y } of outline) context.lineTo(x * scale, y * scale);
  context.fill();
  context.globalCompositeOperation = 'source-over';
}
