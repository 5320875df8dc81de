import { type Repeat, step, type Step, stepText, withStep } from '../../../../core/lattice/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';
import { TEXTS } from './texts.ts';

/** The repeat of the design, and how another step is shown on the cloth and taken. */
export function useStep() {
  const editor = useEditor();
  const repeat = useStore(editor.session, ({ committed }) => committed.repeat);
  return {
    repeat,
    take: (next: Repeat): boolean =>
      editor.commit(TEXTS.changedTheStepToStep(stepText(next.step)), { type: 'repeat', repeat: next }),
    look: (next: Repeat) => ({
      onPointerEnter: () => editor.session.preview({ type: 'repeat', repeat: next }),
      onPointerLeave: () => editor.session.preview(undefined),
    }),
    stepped: (next: Step): Repeat => withStep(repeat, next),
    /** The step of a kind, with the drop that the cell has where it has one. */
    ofKind: (kind: Step['kind']): Repeat => {
      const { drop, honeycomb } = repeat.step;
      if (kind === repeat.step.kind && !honeycomb) return repeat;
      return withStep(repeat, kind === 'square' || drop.p === 0 ? step(kind) : step(kind, drop.p, drop.q));
    },
  };
}
