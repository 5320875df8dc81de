import { useRef, useState } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import { BrushLayer } from '../../ui/BrushLayer.tsx';
import { type DrawnOutline, drawnOutline } from './drawnOutline.ts';
import { TEXTS } from './texts.ts';

/** The pen is shown so large, CSS pixels. */
const PEN_RADIUS = 3;

interface Props {
  readonly outline: DrawnOutline | undefined;
  readonly onDraw: (outline: DrawnOutline) => void;
}

/** A sheet on which the outline of a shape is drawn by hand. */
export function OutlinePad({ outline, onDraw }: Props) {
  const line = useRef<Point[]>([]);
  const [shown, setShown] = useState('');
  const show = (): void => setShown(`M${line.current.map(({ x, y }) => `${x} ${y}`).join('L')}`);
  return (
    <div className="relative h-64 rounded-md border border-thread bg-white">
      <svg className="absolute inset-0 h-full w-full" aria-hidden>
        {shown ? (
          <path d={shown} className="fill-none stroke-ink" />
        ) : (
          outline && <path d={outline.path} className="fill-linen stroke-ink" />
        )}
      </svg>
      {!outline && !shown && (
        <p className="absolute inset-x-0 top-1/2 -translate-y-1/2 text-center text-sm text-graphite">
          {TEXTS.drawTheOutline}
        </p>
      )}
      <BrushLayer
        label={TEXTS.outlineKeys}
        data-outline={outline ? 'drawn' : 'empty'}
        radiusOn={() => PEN_RADIUS}
        brush={{
          begin(at) {
            line.current = [at];
            show();
          },
          go(at) {
            line.current.push(at);
            show();
          },
          end() {
            const drawn = drawnOutline(line.current);
            setShown('');
            if (drawn) onDraw(drawn);
          },
        }}
      />
    </div>
  );
}
