import { useEffect, useRef, useState } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import { type MarkedFace, type MaskStep, rimOf } from '../../../core/tryon/index.ts';
import { BrushLayer } from '../../ui/BrushLayer.tsx';
import type { MaskTool } from './MaskFields.tsx';
import type { HiddenPicture } from './maskMessages.ts';
import { TEXTS } from './texts.ts';
import { type MaskablePhoto, useHiddenPicture } from './useHiddenPicture.ts';

interface Props {
  readonly face: MarkedFace;
  readonly photo: MaskablePhoto;
  readonly tool: MaskTool;
  /** CSS pixels to a pixel of the photograph as it is kept. */
  readonly scale: number;
  readonly onStep: (step: MaskStep) => void;
}

const NOTHING: readonly MaskStep[] = [];
/** Points of one stroke; it goes on as another. */
const MOST_POINTS = 2000;
/** The picker is shown so large, px. */
const PICK_RADIUS = 6;

/** What a face's mask hides, in white, over the photograph; a brush and a picker where one of them is in hand. */
export function MaskLayer({ face, photo, tool, scale, onStep }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [stroke, setStroke] = useState<Extract<MaskStep, { kind: 'stroke' }>>();
  const { face: marked, mask: steps = NOTHING } = face;
  const { hidden, failure } = useHiddenPicture(photo, steps, stroke);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (context && hidden) drawHidden(context, hidden, rimOf(marked));
  }, [hidden, marked]);
  const onPhoto = ({ x, y }: Point): Point => ({ x: tenth(x / scale), y: tenth(y / scale) });
  const begin = (place: Point): void => {
    const at = onPhoto(place);
    if (tool.kind === 'pick') onStep({ kind: 'pick', shows: tool.shows, at, tolerance: tool.tolerance });
    else setStroke({ kind: 'stroke', shows: tool.shows, width: tool.width, points: [at] });
  };
  const go = (place: Point): void => {
    if (!stroke) return;
    const at = onPhoto(place);
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
      {failure !== undefined && (
        <p role="alert" className="absolute inset-x-2 top-2 rounded-md bg-white p-2 text-sm text-madder shadow-float">
          {TEXTS.maskFailed(failure)}
        </p>
      )}
      <canvas
        ref={canvas}
        width={hidden?.width ?? 1}
        height={hidden?.height ?? 1}
        className="pointer-events-none absolute inset-0 h-full w-full"
        role="img"
        aria-label={TEXTS.maskOf(face.name)}
      />
      {tool.kind !== 'points' && (
        <BrushLayer
          brush={{ begin, go, end }}
          label={TEXTS.maskKeys}
          radiusOn={() => (tool.kind === 'brush' ? (tool.width * scale) / 2 : PICK_RADIUS)}
          data-mask-tool={tool.kind}
        />
      )}
    </>
  );
}

const tenth = (px: number): number => Math.round(px * 10) / 10;

/** Lays white over what is hidden of a face. */
function drawHidden(
  context: CanvasRenderingContext2D,
  { width, height, scale, pixels }: HiddenPicture,
  outline: readonly Point[],
): void {
  context.putImageData(new ImageData(pixels, width, height), 0, 0);
  // Beside the face nothing is hidden.
  context.globalCompositeOperation = 'destination-in';
  context.beginPath();
  for (const { x, y } of outline) context.lineTo(x * scale, y * scale);
  context.fill();
  context.globalCompositeOperation = 'source-over';
}
