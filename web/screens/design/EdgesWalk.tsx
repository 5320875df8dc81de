import { ChevronLeft, ChevronRight, X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { joinsOf, latticeOf } from '../../../core/lattice/index.ts';
import type { ClothParts } from '../../cloth/clothParts.ts';
import { windowMm } from '../../cloth/viewport.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import { Button } from '../../ui/Button.tsx';
import { useStore } from '../../ui/store.ts';
import { useNewest } from '../../ui/useNewest.ts';
import { TEXTS } from './texts.ts';

/** Of the cell's shorter side, so much is seen about a join. */
const SEEN = 0.5;

/** Goes from one place where cells meet to the next, and says whether the pattern runs on over all of them. */
export function EdgesWalk({ cloth: { view }, onClose }: { readonly cloth: ClothParts; readonly onClose: () => void }) {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const motifs = useStore(editor.motifs);
  const joins = joinsOf(design.repeat);
  const [step, setStep] = useState(0);
  const n = step % joins.length;
  const join = joins[n];
  const { repeat } = design;
  // What was seen before is seen again afterwards.
  const [before] = useState(() => windowMm(view.getViewport()));
  useEffect(() => () => view.show(before, 0), [view, before]);
  useEffect(() => {
    const at = joinsOf(repeat)[n]?.at;
    if (!at) return;
    const { width, height } = latticeOf(repeat).cell;
    const far = (SEEN * Math.min(width, height)) / 2;
    view.show({ left: at.x - far, top: at.y - far, right: at.x + far, bottom: at.y + far }, 0);
  }, [view, repeat, n]);
  const { done, failure } = useNewest(
    design,
    (a, b) => a === b,
    (wish) => editor.tossing.tosser.run(wish, motifs, { kind: 'joins' }).done,
  );
  const found = done?.of === design ? done.result : undefined;
  return (
    <section
      aria-label={TEXTS.edges}
      data-edges={found ? found.broken : undefined}
      className="pointer-events-none relative z-10 col-start-2 row-start-2 grid place-items-center"
    >
      <span
        aria-hidden
        className="h-14 w-14 rounded-full border-2 border-white shadow-[0_0_0_1.5px_var(--color-ink),inset_0_0_0_1.5px_var(--color-ink)]"
      />
      <div className="pointer-events-auto absolute top-3 flex items-center gap-2 rounded-md border border-thread bg-calico py-1 pr-1 pl-3 shadow-float">
        <span role="status" className="text-sm">
          {join && TEXTS.joinOf(join.kind === 'corner', n + 1, joins.length)}{' '}
          <span className={found && found.broken > 0 ? 'font-semibold text-madder' : 'text-graphite'}>
            {failure !== undefined
              ? TEXTS.joinsNotCompared(failure)
              : !found
                ? TEXTS.comparingJoins
                : found.broken > 0
                  ? TEXTS.joinsAreBroken(found.broken, found.pixels)
                  : TEXTS.joinsAreWhole}
          </span>
        </span>
        <Button look="quiet" label={TEXTS.joinBefore} onClick={() => setStep(n + joins.length - 1)}>
          <ChevronLeft size={16} aria-hidden />
        </Button>
        <Button look="quiet" label={TEXTS.nextJoin} onClick={() => setStep(n + 1)}>
          <ChevronRight size={16} aria-hidden />
        </Button>
        <Button look="quiet" label={TEXTS.closeEdges} onClick={onClose}>
          <X size={16} aria-hidden />
        </Button>
      </div>
    </section>
  );
}
