import { Fold } from '../../../ui/Fold.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Steps shown; older ones are a scroll away. */
const NEAR = 200;

/** Every step by name, the latest on top; a click goes back to it, or forward again. */
export function HistoryList() {
  const editor = useEditor();
  const past = useStore(editor.session, (state) => state.past);
  const future = useStore(editor.session, (state) => state.future);
  if (past.length === 0 && future.length === 0) return null;
  const steps = [
    ...[...future].reverse().map(({ label }, n) => ({ label, by: future.length - n, done: false })),
    ...[...past]
      .reverse()
      .slice(0, NEAR)
      .map(({ label }, n) => ({ label, by: -n, done: true })),
    ...(past.length <= NEAR ? [{ label: TEXTS.asOpened, by: -past.length, done: true }] : []),
  ];
  return (
    <Fold name={TEXTS.history} note={`${past.length} ${past.length === 1 ? 'step' : 'steps'}`}>
      <ol aria-label={TEXTS.history} className="max-h-56 overflow-y-auto">
        {steps.map(({ label, by, done }) => (
          <li key={by}>
            <button
              type="button"
              data-step={by}
              aria-current={by === 0 ? 'step' : undefined}
              onClick={() => editor.goToStep(by)}
              className={`h-7 w-full truncate rounded-md px-2 text-left text-sm hover:bg-linen ${by === 0 ? 'bg-linen font-semibold' : done ? '' : 'text-graphite italic'}`}
            >
              {label}
            </button>
          </li>
        ))}
      </ol>
    </Fold>
  );
}
