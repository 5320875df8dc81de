import { Redo2, Undo2 } from 'lucide-react';
import { Button } from './Button.tsx';
import { TEXTS } from './texts.ts';
import type { History } from './useHistory.ts';

/** Undo and redo of a value with a history. */
export function HistoryButtons({ history }: { readonly history: Omit<History<unknown>, 'value' | 'change'> }) {
  const { undo, redo, canUndo, canRedo } = history;
  return (
    <>
      <Button look="quiet" label={TEXTS.undo} disabled={!canUndo} onClick={undo}>
        <Undo2 size={16} aria-hidden />
      </Button>
      <Button look="quiet" label={TEXTS.redo} disabled={!canRedo} onClick={redo}>
        <Redo2 size={16} aria-hidden />
      </Button>
    </>
  );
}
