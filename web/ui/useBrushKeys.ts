import { type FocusEvent, type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { Point } from '../../core/geometry/index.ts';
import { takeArrow } from './arrowSteps.ts';

/** What a brush does over its layer; places in CSS pixels from the layer's corner. */
export interface Brush {
  begin(at: Point, layer: HTMLElement): void;
  go(at: Point, layer: HTMLElement): void;
  end(): void;
}

/** Pixels that an arrow key moves the brush by. */
const STEP = 2;

/**
 * Moves a brush by the arrow keys, ten times as far with Shift, where its layer has the focus; the space bar presses it down for as long as it is
 * held.
 *
 * @returns where it is while the keys have it, on which layer, and what that layer has to be given
 */
export function useBrushKeys(brush: Brush) {
  const [hand, setHand] = useState<{ readonly at: Point; readonly layer: HTMLElement }>();
  const isDown = useRef(false);
  const lift = (): void => {
    if (isDown.current) brush.end();
    isDown.current = false;
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>): void => {
    const layer = event.currentTarget;
    const here = hand?.at ?? middleOf(layer);
    const by = takeArrow(event, STEP);
    if (by) {
      const at = { x: within(here.x + by.x, layer.clientWidth), y: within(here.y + by.y, layer.clientHeight) };
      setHand({ at, layer });
      if (isDown.current) brush.go(at, layer);
    } else if (event.key === ' ') {
      event.preventDefault();
      if (event.repeat || isDown.current) return;
      isDown.current = true;
      setHand({ at: here, layer });
      brush.begin(here, layer);
    }
  };
  const onKeyUp = (event: KeyboardEvent): void => {
    if (event.key === ' ') lift();
  };
  const onFocus = ({ currentTarget: layer }: FocusEvent<HTMLElement>): void => {
    // A press of the pointer gives it the focus too, but the brush is where the pointer is then.
    if (layer.matches(':focus-visible')) setHand({ at: middleOf(layer), layer });
  };
  const onBlur = (): void => {
    lift();
    setHand(undefined);
  };
  // The pointer takes over where it comes.
  const onPointerEnter = (): void => setHand(undefined);
  const handlers = { onKeyDown, onKeyUp, onFocus, onBlur, onPointerEnter };
  return { hand, keys: { tabIndex: 0, role: 'application', ...handlers } as const };
}

/** Where a pointer is, CSS pixels from the corner of the element that listens. */
export function placeOf({ currentTarget, clientX, clientY }: PointerEvent<HTMLElement>): Point {
  const { left, top } = currentTarget.getBoundingClientRect();
  return { x: clientX - left, y: clientY - top };
}

const middleOf = ({ clientWidth, clientHeight }: HTMLElement): Point => ({ x: clientWidth / 2, y: clientHeight / 2 });
const within = (value: number, most: number): number => Math.min(most, Math.max(0, value));
