import { X } from 'lucide-react';
import { createContext, useCallback, useContext, useMemo, useRef, useState, type ReactNode } from 'react';
import { Button } from './Button.tsx';
import { messageOf } from '../../core/problem/index.ts';
import { TEXTS } from './texts.ts';

/** A sentence that floats at the foot of the window for a while, with at most one thing to do about it. */
export interface Notice {
  readonly text: string;
  readonly tone?: 'plain' | 'problem';
  readonly action?: { readonly label: string; readonly run: () => void };
  /** What it is about: it takes the place of an earlier one about the same, which can no longer be acted upon. */
  readonly about?: string;
}

const SHOWN_MS = 9000;

const Context = createContext<(notice: Notice) => void>(() => undefined);

/** Shows a notice. */
export function useNotify(): (notice: Notice) => void {
  return useContext(Context);
}

/** Shows what a thrown error says, until it is read. */
export function useNotifyProblem(): (thrown: unknown) => void {
  const notify = useNotify();
  return useCallback((thrown: unknown) => notify({ text: messageOf(thrown), tone: 'problem' }), [notify]);
}

export function Notices({ children }: { readonly children: ReactNode }) {
  const [shown, setShown] = useState<readonly (Notice & { id: number })[]>([]);
  const next = useRef(1);
  const drop = useCallback((id: number) => setShown((list) => list.filter((one) => one.id !== id)), []);
  const notify = useCallback(
    (notice: Notice) => {
      const id = next.current;
      next.current += 1;
      const isOver = ({ about }: Notice): boolean => about !== undefined && about === notice.about;
      setShown((list) => [...list.filter((one) => !isOver(one)).slice(-3), { ...notice, id }]);
      // A problem stays until it is read; the rest goes by itself.
      if (notice.tone !== 'problem') setTimeout(() => drop(id), SHOWN_MS);
    },
    [drop],
  );
  const list = useMemo(
    () => (
      <div
        aria-live="polite"
        className="pointer-events-none fixed bottom-24 left-1/2 z-60 flex w-[min(34rem,90vw)] -translate-x-1/2 flex-col gap-2"
      >
        {shown.map(({ id, text, tone, action }) => (
          <div
            key={id}
            role={tone === 'problem' ? 'alert' : 'status'}
            className={`pointer-events-auto flex items-center gap-3 rounded-md border bg-white py-1.5 pr-1.5 pl-3 text-sm shadow-float ${tone === 'problem' ? 'border-l-4 border-madder' : 'border-thread'}`}
          >
            <span className="grow py-1">{text}</span>
            {action && (
              <Button
                onClick={() => {
                  action.run();
                  drop(id);
                }}
              >
                {action.label}
              </Button>
            )}
            <Button look="quiet" label={TEXTS.dismiss} onClick={() => drop(id)}>
              <X size={14} aria-hidden />
            </Button>
          </div>
        ))}
      </div>
    ),
    [shown, drop],
  );
  return (
    <Context value={notify}>
      {children}
      {list}
    </Context>
  );
}
