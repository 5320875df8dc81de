import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { DesignMotif } from '../../../contract/index.ts';
import { smoothLine } from '../../../core/bundle/index.ts';
import { shapeMatrix } from '../../../core/document/index.ts';
import { compose, type Point, translationMatrix } from '../../../core/geometry/index.ts';
import type { ArrayLayout, Part } from '../../../core/recipe/index.ts';
import { blobUrl } from '../../api/client.ts';
import { takeArrow } from '../../ui/arrowSteps.ts';
import { followHand } from '../../ui/followHand.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly parts: readonly Part[];
  readonly motifs: ReadonlyMap<string, DesignMotif>;
  /** Of all parts, mm about the middle. */
  readonly half: { readonly width: number; readonly height: number };
  readonly layout: ArrayLayout;
  readonly onLayout: (layout: ArrayLayout, field: string) => void;
}

/** Room around the array, as a share of it. */
const ROOM = 1.15;

/** The array as it comes out, made of small pictures of its motifs; the points of a line can be dragged. */
export function ArrayStage({ parts, motifs, half, layout, onLayout }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [width, height] = [2 * ROOM * half.width, 2 * ROOM * half.height];
  const pin = Math.max(width, height) / 70;
  const moved = (n: number, to: Point, field: string): void => {
    if (layout.kind !== 'line') return;
    onLayout({ ...layout, points: layout.points.map((point, k) => (k === n ? to : point)) }, field);
  };
  const onPress = (event: PointerEvent<SVGCircleElement>, n: number): void => {
    // The scale stays as it is during the drag, though the array may grow.
    const toMm = svg.current?.getScreenCTM()?.inverse();
    if (!toMm) return;
    const field = `point ${performance.now()}`;
    followHand(event, ({ clientX, clientY }) => {
      const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(toMm);
      moved(n, { x: Math.round(10 * x) / 10, y: Math.round(10 * y) / 10 }, field);
    });
  };
  const onKeyDown = (event: KeyboardEvent, n: number, { x, y }: Point): void => {
    const by = takeArrow(event);
    if (by) moved(n, { x: x + by.x, y: y + by.y }, 'keys');
  };
  return (
    <svg
      ref={svg}
      viewBox={`${-width / 2} ${-height / 2} ${width} ${height}`}
      className="h-full w-full touch-none"
      role="group"
      aria-label={TEXTS.preview}
      data-array={parts.length}
    >
      {parts.map((part, n) => {
        const motif = motifs.get(part.motif);
        if (!motif) return null;
        const { view } = motif;
        const matrix = compose(translationMatrix(part.x, part.y), shapeMatrix(part, motif));
        return (
          <image
            key={n}
            href={blobUrl(motif.thumbnail)}
            x={view.x}
            y={view.y}
            width={view.width}
            height={view.height}
            transform={`matrix(${matrix.join(' ')})`}
          />
        );
      })}
      {layout.kind === 'line' && <DrawnLine points={smoothLine(layout.points)} width={pin / 4} />}
      {layout.kind === 'line' &&
        layout.points.map(({ x, y }, n) => (
          <circle
            key={n}
            cx={x}
            cy={y}
            r={pin}
            fill="#fff"
            stroke="#1f2430"
            strokeWidth={pin / 5}
            tabIndex={0}
            role="button"
            aria-label={TEXTS.pointN(n + 1)}
            className="cursor-move"
            data-array-point={n}
            onPointerDown={(event) => onPress(event, n)}
            onKeyDown={(event) => onKeyDown(event, n, { x, y })}
          />
        ))}
    </svg>
  );
}

/** The line that motifs lie along, to be seen on any of them. */
function DrawnLine({ points, width }: { readonly points: readonly Point[]; readonly width: number }) {
  const line = points.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <g fill="none" className="pointer-events-none" data-array-line>
      <polyline points={line} stroke="#fff" strokeWidth={3 * width} />
      <polyline points={line} stroke="#1f2430" strokeWidth={width} strokeDasharray={`${4 * width} ${3 * width}`} />
    </g>
  );
}
