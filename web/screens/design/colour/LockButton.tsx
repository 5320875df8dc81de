import { Lock, LockOpen } from 'lucide-react';
import { lockInk } from '../../../../core/colourway/index.ts';
import type { Ink } from '../../../../core/document/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Locks an ink, so that it has the colour of the colourway that is worked in in all of them, or unlocks it. */
export function LockButton({ ink: { id, name, locked = false } }: { readonly ink: Ink }) {
  const editor = useEditor();
  const toggle = (): void => {
    if (locked) editor.commit(TEXTS.unlockedName(name), { type: 'change-inks', changes: { [id]: { locked: false } } });
    else editor.commit(TEXTS.lockedName(name), lockInk(editor.design, id, editor.colourway.id));
  };
  const Icon = locked ? Lock : LockOpen;
  return (
    <Button look="quiet" label={locked ? TEXTS.unlock(name) : TEXTS.lock(name)} onClick={toggle}>
      <Icon size={14} aria-hidden className={locked ? '' : 'text-graphite'} />
    </Button>
  );
}
