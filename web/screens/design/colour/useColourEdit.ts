import { useEffect, useRef } from 'react';
import type { Hex } from '../../../../core/colour/index.ts';
import type { Colourway, Ink } from '../../../../core/document/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** A rest of the hand this long ends one change of a colour, ms. */
const REST_MS = 350;

/** Changes an ink in a colourway: what the hand passes over is only shown, where it rests becomes one edit. */
export function useColourEdit(
  ink: Ink,
  colourway: Colourway,
): { readonly show: (colour: Hex) => void; readonly take: (colour: Hex) => void } {
  const editor = useEditor();
  const pending = useRef<{ readonly settle: () => void; readonly timer: ReturnType<typeof setTimeout> }>(undefined);
  const settle = (): void => {
    if (!pending.current) return;
    clearTimeout(pending.current.timer);
    pending.current.settle();
    pending.current = undefined;
  };
  const take = (colour: Hex): void => {
    if (pending.current) clearTimeout(pending.current.timer);
    pending.current = undefined;
    editor.commit(TEXTS.changedName(ink.name), { type: 'colour', colourway: colourway.id, ink: ink.id, colour });
  };
  const show = (colour: Hex): void => {
    if (pending.current) clearTimeout(pending.current.timer);
    editor.session.preview({ type: 'colour', colourway: colourway.id, ink: ink.id, colour });
    pending.current = { settle: () => take(colour), timer: setTimeout(settle, REST_MS) };
  };
  const latest = useRef(settle);
  useEffect(() => {
    latest.current = settle;
  });
  useEffect(() => () => latest.current(), []);
  return { show, take };
}
