import type { Saver } from '../../editor/saver.ts';
import { Button } from '../../ui/Button.tsx';
import { useStore } from '../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** Why the last edits are not saved yet, and a way to try at once; they are tried by themselves too. */
export function UnsavedNotice({ saver }: { readonly saver: Saver }) {
  const state = useStore(saver);
  if (state.kind !== 'waiting') return null;
  return (
    <div
      role="alert"
      className="absolute top-15 left-18 z-30 flex w-max max-w-[min(44rem,70vw)] items-center gap-4 rounded-md border border-madder bg-calico px-4 py-2 text-sm shadow-float"
    >
      <p>
        <strong className="font-semibold text-madder">{TEXTS.notSavedYet}.</strong> {state.why}
      </p>
      {/* What comes of it is told by the saver's state, which is shown here. */}
      <Button className="shrink-0" onClick={() => void saver.flush().catch(() => undefined)}>
        {TEXTS.saveAgain}
      </Button>
    </div>
  );
}
