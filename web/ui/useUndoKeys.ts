import { useEffect } from 'react';

/** Undo and redo where every desktop program has them; what is typed into a field is the field's own. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      const key = event.key.toLowerCase();
      if ((!event.ctrlKey && !event.metaKey) || (key !== 'z' && key !== 'y')) return;
      if ((event.target as HTMLElement).matches('input:not([type="range"]):not([type="checkbox"]):not([type="radio"])'))
        return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, [undo, redo]);
}
