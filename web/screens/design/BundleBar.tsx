import { closedParts } from '../../../core/bundle/index.ts';
import { Button } from '../../ui/Button.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { useStore } from '../../ui/store.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import type { InsideBundle, Part } from '../../editor/editorState.ts';
import type { Editor } from '../../editor/editor.ts';
import { PartNav } from './PartNav.tsx';
import { UndoButtons } from './UndoButtons.tsx';
import { TEXTS } from './texts.ts';
import { useMotifSteps } from './useMotifSteps.ts';

interface Props {
  readonly inside: InsideBundle;
  /** The editor of what the bundle lies in. */
  readonly outer: Editor;
  readonly onClose: () => void;
  readonly onPart: (part: Part) => void;
}

/** Stands where the design's bar stands while a bundle lies open: what is open, and the two ways out. */
export function BundleBar({ inside, outer, onClose, onPart }: Props) {
  const editor = useEditor();
  const { isBusy, remake } = useMotifSteps(outer);
  const notifyProblem = useNotifyProblem();
  const past = useStore(editor.session, (state) => state.past);
  const close = (): void => {
    if (past.length === 0) {
      onClose();
      return;
    }
    const parts = closedParts(inside.opened, editor.session.state.committed);
    const { motif: id, name } = inside;
    const { recipe = null, artwork } = editor.motif(id) ?? {};
    // It stays open where that fails, so that nothing that was done in it is lost.
    const next = { ...(recipe?.kind === 'bundle' && recipe), kind: 'bundle', parts } as const;
    remake({ id, name, recipe, ...(artwork && { artwork }) }, next).then(onClose, notifyProblem);
  };
  return (
    <header
      data-bundle-bar
      className="col-span-2 col-start-2 row-start-1 flex min-w-0 items-center gap-3 border-b border-thread bg-white px-3"
    >
      <p className="min-w-0 truncate text-sm">
        {TEXTS.open} <span className="font-name text-base font-semibold">{inside.name}</span>
      </p>
      <PartNav onPart={onPart} />
      <div className="flex shrink-0 items-center gap-1.5">
        <UndoButtons />
        <Button onClick={onClose}>{TEXTS.cancel}</Button>
        <Button look="accent" disabled={isBusy} onClick={close}>
          {TEXTS.closeTheBundle}
        </Button>
      </div>
    </header>
  );
}
