import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef, useState } from 'react';
import type { Point } from '../../core/geometry/index.ts';
import { takeArrow } from './arrowSteps.ts';

/** What a brush does over its layer; places in CSS pixels from the layer's corner. */
interface Brush {
  /** @param isAlt whether Alt is held */
  begin(at: Point, layer: HTMLElement, isAlt: boolean): void;
  go(at: Point, layer: HTMLElement): void;
  end(): void;
}

interface Props {
  readonly brush: Brush;
  readonly label: string;
  /** How large the brush is shown on its layer, CSS pixels. */
  readonly radiusOn: (layer: HTMLElement) => number;
  readonly children?: ReactNode;
}

/** Pixels that an arrow key moves the brush by. */
const STEP = 2;

/**
 * Lies over a picture that is drawn on with a brush: by the pointer, or by the arrow keys, ten times as far with Shift, where it has the focus; the
 * space bar presses the brush down for as long as it is held.
 */
export function BrushLayer({
  brush,
  label,
  radiusOn,
  children,
  ...data
}: Props & Readonly<Record<`data-${string}`, string>>) {
  const [hand, setHand] = useState<{ readonly at: Point; readonly radius: number }>();
  const isDown = useRef(false);
  const show = (at: Point, layer: HTMLElement): void => setHand({ at, radius: radiusOn(layer) });
  const lift = (): void => {
    if (isDown.current) brush.end();
    isDown.current = false;
  };
  const leave = (): void => {
    lift();
    setHand(undefined);
  };
  const press = (at: Point, layer: HTMLElement, isAlt: boolean): void => {
    isDown.current = true;
    show(at, layer);
    brush.begin(at, layer, isAlt);
  };
  const move = (at: Point, layer: HTMLElement): void => {
    show(at, layer);
    if (isDown.current) brush.go(at, layer);
  };
  const onPointerDown = (event: PointerEvent<HTMLElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    press(placeOf(event), event.currentTarget, event.altKey);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>): void => {
    const layer = event.currentTarget;
    const { clientWidth: width, clientHeight: height } = layer;
    const here = hand?.at ?? { x: width / 2, y: height / 2 };
    const by = takeArrow(event, STEP);
    if (by) move({ x: within(here.x + by.x, width), y: within(here.y + by.y, height) }, layer);
    else if (event.key === ' ') {
      event.preventDefault();
      if (!event.repeat && !isDown.current) press(here, layer, event.altKey);
    }
  };
  return (
    <div
      className="absolute inset-0 cursor-crosshair touch-none"
      role="application"
      tabIndex={0}
      aria-label={label}
      {...data}
      onPointerDown={onPointerDown}
      onPointerMove={(event) => move(placeOf(event), event.currentTarget)}
      onPointerUp={lift}
      onPointerCancel={lift}
      onPointerLeave={leave}
      onKeyDown={onKeyDown}
      onKeyUp={(event) => event.key === ' ' && lift()}
      onFocus={({ currentTarget: layer }) =>
        // A press of the pointer gives it the focus too, but the brush is where the pointer is then.
        hand ?? show({ x: layer.clientWidth / 2, y: layer.clientHeight / 2 }, layer)
      }
      onBlur={leave}
    >
      {children}
      {hand && (
        <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
          {['#fff', '#1f2430'].map((stroke, n) => (
            <circle
              key={stroke}
              cx={hand.at.x}
              cy={hand.at.y}
              r={hand.radius}
              fill="none"
              stroke={stroke}
              strokeWidth={3 - 2 * n}
            />
          ))}
        </svg>
      )}
    </div>
  );
}

function placeOf({ currentTarget, clientX, clientY }: PointerEvent<HTMLElement>): Point {
  const { left, top } = currentTarget.getBoundingClientRect();
  return { x: clientX - left, y: clientY - top };
}

const within = (value: number, most: number): number => Math.min(most, Math.max(0, value));
