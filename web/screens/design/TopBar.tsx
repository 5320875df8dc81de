import { Download } from 'lucide-react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { NameField } from '../../ui/NameField.tsx';
import { useEditor } from '../../cloth/editorContext.ts';
import type { Part } from '../../editor/editorState.ts';
import { PartNav } from './PartNav.tsx';
import { UndoButtons } from './UndoButtons.tsx';
import type { Presence } from '../../editor/presence.ts';
import type { Saver, SaveState } from '../../editor/saver.ts';
import { useStore } from '../../ui/store.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly saver: Saver;
  readonly presence: Presence;
  readonly onPart: (part: Part) => void;
  readonly onSaveSwatch: () => void;
  readonly onDownload: () => void;
  readonly onKeys: () => void;
}

/** The name of the design, the parts of the job in their order, whether it is saved, and what to do with it. */
export function TopBar({ saver, presence, onPart, onSaveSwatch, onDownload, onKeys }: Props) {
  const state = useStore(saver);
  return (
    <header className="col-span-2 col-start-2 row-start-1 flex min-w-0 items-center gap-3 border-b border-thread bg-calico px-3">
      <Link to="/" className="rounded-sm text-sm text-graphite hover:text-ink">
        {TEXTS.table}
      </Link>
      <span aria-hidden className="text-thread">
        /
      </span>
      <DesignName />
      <PartNav onPart={onPart} />
      <OthersNote presence={presence} />
      <SavedNote state={state} />
      <div className="flex shrink-0 items-center gap-1.5">
        <UndoButtons />
        <Button look="quiet" label={TEXTS.keyboardShortcuts} onClick={onKeys}>
          <span aria-hidden>?</span>
        </Button>
        <Button label={TEXTS.exportIt} onClick={onDownload}>
          <Download size={16} aria-hidden />
        </Button>
        <Button look="accent" onClick={onSaveSwatch}>
          {TEXTS.saveSwatch}
        </Button>
      </div>
    </header>
  );
}

function DesignName() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  return (
    <NameField
      label={TEXTS.nameOfTheDesign}
      name={design.name}
      size={Math.min(26, Math.max(8, design.name.length))}
      onRename={(name) => editor.commit(TEXTS.renamedTheDesign, { type: 'name', name })}
      className="h-8 border-transparent bg-transparent font-name text-base font-semibold hover:border-thread"
    />
  );
}

/** Who else has the design open, and what was changed there. */
function OthersNote({ presence }: { readonly presence: Presence }) {
  const { windows, editing, last } = useStore(presence.others);
  if (windows === 0) return null;
  const who = windows === 1 ? TEXTS.anotherWindow : TEXTS.windowsOtherWindows(windows);
  return (
    <span
      role="status"
      data-others={windows}
      title={last ? TEXTS.changedThereLast(last) : undefined}
      className="flex min-w-0 shrink items-center gap-1.5 text-xs text-graphite"
    >
      <span aria-hidden className={`h-2 w-2 shrink-0 rounded-full ${editing ? 'bg-weld' : 'bg-thread'}`} />
      <span className="truncate">
        {editing ? TEXTS.editedIn : TEXTS.openIn} {who}
        {last && `: ${last}`}
      </span>
    </span>
  );
}

function SavedNote({ state }: { readonly state: SaveState }) {
  const text = {
    saved: TEXTS.saved,
    saving: TEXTS.saving,
    waiting: TEXTS.notSavedYet,
    parted: TEXTS.notSavedInThisBrowser,
  }[state.kind];
  const why = 'why' in state ? state.why : undefined;
  return (
    <span
      role="status"
      title={why}
      data-saved={state.kind}
      className={`shrink-0 text-xs ${why ? 'font-semibold text-madder' : 'text-graphite'}`}
    >
      {text}
    </span>
  );
}
