import { useEffect, useRef } from 'react';
import type { Command } from '../../../../core/document/index.ts';
import type { Editor } from '../../../editor/editor.ts';

/** A rest of the hand this long ends one change, ms. */
const REST_MS = 350;

interface RestingEdit<T> {
  readonly show: (value: T) => void;
  readonly take: (value: T) => void;
  /** Takes what is only shown, before something else is done. */
  readonly settle: () => void;
}

/** Changes a value by a command: what the hand passes over is only shown, where it rests becomes one edit. */
export function useRestingEdit<T>(
  commandFor: (value: T) => Command,
  label: () => string,
  editor: Pick<Editor, 'commit' | 'session'>,
  onTaken?: (value: T) => void,
): RestingEdit<T> {
  const pending = useRef<{ readonly settle: () => void; readonly timer: ReturnType<typeof setTimeout> }>(undefined);
  const settle = (): void => {
    if (!pending.current) return;
    clearTimeout(pending.current.timer);
    pending.current.settle();
    pending.current = undefined;
  };
  const take = (value: T): void => {
    if (pending.current) clearTimeout(pending.current.timer);
    pending.current = undefined;
    if (editor.commit(label(), commandFor(value))) onTaken?.(value);
  };
  const show = (value: T): void => {
    if (pending.current) clearTimeout(pending.current.timer);
    editor.session.preview(commandFor(value));
    pending.current = { settle: () => take(value), timer: setTimeout(settle, REST_MS) };
  };
  const latest = useRef(settle);
  useEffect(() => {
    latest.current = settle;
  });
  useEffect(() => () => latest.current(), []);
  return { show, take, settle };
}
