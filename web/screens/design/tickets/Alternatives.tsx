import { Columns2, Trash2 } from 'lucide-react';
import { useContext, useState } from 'react';
import { readAlternative, useAlternativeMutation, useAlternatives } from '../../../api/alternatives.ts';
import { Button } from '../../../ui/Button.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { NameField } from '../../../ui/NameField.tsx';
import { useNotify, useNotifyProblem } from '../../../ui/Notices.tsx';
import { SideBySideContext } from '../alternatives/sideBySideContext.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** At most this many lie side by side, the one being worked at among them. */
const MOST_BESIDE = 3;

/** Arrangements kept under names, to be looked at beside the one being worked at. */
export function Alternatives() {
  const editor = useEditor();
  const { id } = editor.design;
  const alternatives = useAlternatives(id);
  const mutation = useAlternativeMutation(id);
  const notify = useNotify();
  const notifyProblem = useNotifyProblem();
  const beside = useContext(SideBySideContext);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  const kept = alternatives.data ?? [];
  const shown = ticked.filter((one) => kept.some((alternative) => alternative.id === one));
  if (editor.inside || !beside) return null;
  const failed = notifyProblem;
  const drop = async (alternative: string, name: string): Promise<void> => {
    const document = await readAlternative(id, alternative);
    await mutation.mutateAsync({ drop: alternative });
    notify({
      text: TEXTS.nameIsDeleted(name),
      action: { label: TEXTS.undo, run: () => mutation.mutate({ keep: name, document }) },
    });
  };
  return (
    <Fold name={TEXTS.alternatives} {...(kept.length > 0 && { note: String(kept.length), open: true })}>
      {kept.length === 0 && <p className="text-xs text-graphite">{TEXTS.keepTheArrangementAsIt}</p>}
      <ul aria-label={TEXTS.alternatives} className="grid gap-1">
        {kept.map(({ id: one, name, motifs }) => (
          <li key={one} className="grid grid-cols-[20px_minmax(0,1fr)_auto_32px] items-center gap-1">
            <input
              type="checkbox"
              aria-label={TEXTS.lookAtName(name)}
              checked={shown.includes(one)}
              disabled={!shown.includes(one) && shown.length >= MOST_BESIDE}
              onChange={(event) =>
                setTicked(event.target.checked ? [...shown, one] : shown.filter((other) => other !== one))
              }
              className="h-4 w-4 accent-ink"
            />
            <NameField
              label={TEXTS.nameOfTheAlternativeName(name)}
              name={name}
              onRename={(rename) => mutation.mutate({ id: one, rename }, { onError: failed })}
              className="h-8 w-full border-transparent bg-transparent text-sm hover:border-thread"
            />
            <span className="text-xs text-graphite">{motifs}</span>
            <Button look="quiet" label={TEXTS.takeNameAway(name)} onClick={() => void drop(one, name).catch(failed)}>
              <Trash2 size={15} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-2 gap-2">
        <Button
          disabled={mutation.isPending}
          onClick={() =>
            mutation.mutate(
              { keep: TEXTS.alternativeCount(kept.length + 1), document: editor.session.state.committed },
              { onError: failed },
            )
          }
        >
          {TEXTS.keepAsItIs}
        </Button>
        <Button disabled={shown.length === 0} onClick={() => beside(shown)}>
          <Columns2 size={15} aria-hidden /> {TEXTS.sideBySide}
        </Button>
      </div>
    </Fold>
  );
}
