import { type PointerEvent, useRef } from 'react';
import type { Box, Point } from '../../../core/geometry/index.ts';
import type { Fade } from '../../../core/recipe/index.ts';
import { fadeLine, shareAlong, withFadeEnd, withStopAt } from '../../../core/shapes/index.ts';
import { TEXTS } from './texts.ts';

export interface FadeProps {
  readonly fade: Fade;
  /** Around the piece, with all that is one outline with it, mm. */
  readonly box: Box;
  readonly place: Point;
  /** Radius of a handle, mm. */
  readonly size: number;
  /** Where a pointer is, mm. */
  readonly mm: (event: PointerEvent<SVGElement>) => Point;
  readonly onChange: (fade: Fade) => void;
}

/** The line of a fade with its ends and its stops, which are dragged on the motif itself. */
export function FadeHandles({ fade, box, place, size, mm, onChange }: FadeProps) {
  const line = fadeLine(fade, box, place);
  const { from, to } = line;
  const handle = (key: string, at: Point, label: string, colour: string, move: (to: Point) => Fade) => (
    <Handle
      key={key}
      at={at}
      label={label}
      colour={colour}
      size={size}
      mm={mm}
      onMove={(point) => onChange(move(point))}
    />
  );
  const along = (share: number): Point => ({
    x: from.x + share * (to.x - from.x),
    y: from.y + share * (to.y - from.y),
  });
  return (
    <g>
      {[
        { stroke: '#fff', width: 3 },
        { stroke: '#1f2430', width: 1.25 },
      ].map(({ stroke, width }) => (
        <path
          key={width}
          d={`M${from.x} ${from.y}L${to.x} ${to.y}`}
          stroke={stroke}
          strokeWidth={width}
          vectorEffect="non-scaling-stroke"
          pointerEvents="none"
        />
      ))}
      {handle('from', from, TEXTS.startOfFade, '#fff', (at) => withFadeEnd(fade, line, 'from', at, place))}
      {handle('to', to, TEXTS.endOfFade, '#fff', (at) => withFadeEnd(fade, line, 'to', at, place))}
      {fade.stops.map(({ offset, ink }, n) =>
        // Those at the ends are moved by the ends, and their offset by its field.
        offset === 0 || offset === 1
          ? null
          : handle(`${n}`, along(offset), TEXTS.stopAt(n + 1, Math.round(100 * offset)), ink, (at) => ({
              ...fade,
              stops: withStopAt(fade.stops, n, shareAlong(line, at)),
            })),
      )}
    </g>
  );
}

interface HandleProps extends Pick<FadeProps, 'size' | 'mm'> {
  readonly at: Point;
  readonly label: string;
  readonly colour: string;
  readonly onMove: (to: Point) => void;
}

function Handle({ at, label, colour, size, mm, onMove }: HandleProps) {
  const held = useRef(false);
  return (
    <circle
      cx={at.x}
      cy={at.y}
      r={size}
      fill={colour}
      stroke="#1f2430"
      strokeWidth="1.5"
      vectorEffect="non-scaling-stroke"
      className="cursor-grab"
      data-handle={label}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        held.current = true;
      }}
      onPointerMove={(event) => {
        if (held.current) onMove(mm(event));
      }}
      onPointerUp={() => (held.current = false)}
      onPointerCancel={() => (held.current = false)}
    >
      <title>{label}</title>
    </circle>
  );
}
