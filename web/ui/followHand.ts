import type { PointerEvent } from 'react';

/** Tells where a pointer goes that was pressed on an element, until it is let go, however far it leaves it. */
export function followHand(event: PointerEvent<Element>, onMove: (moved: globalThis.PointerEvent) => void): void {
  event.preventDefault();
  const target: Element = event.currentTarget;
  target.setPointerCapture(event.pointerId);
  const moved = (next: Event): void => onMove(next as globalThis.PointerEvent);
  const ended = (): void => {
    target.removeEventListener('pointermove', moved);
    target.removeEventListener('pointerup', ended);
    target.removeEventListener('pointercancel', ended);
  };
  target.addEventListener('pointermove', moved);
  target.addEventListener('pointerup', ended);
  target.addEventListener('pointercancel', ended);
}
