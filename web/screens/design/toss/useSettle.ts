import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';
import { messageOf } from '../../../../core/problem/index.ts';

/** Evens out the spacing of motifs by small moves, off the page; each call goes on. */
export function useSettle(): (ids: readonly string[], turning: boolean) => void {
  const editor = useEditor();
  return (ids, turning) => {
    if (ids.length === 0) return;
    const start = editor.session.state.committed;
    editor.tossing.tosser
      .run(start, editor.motifs.getState(), { kind: 'settle', chosen: ids, turning })
      .done.then((changes) => {
        const count = Object.keys(changes).length;
        if (count > 0 && editor.session.state.committed === start)
          editor.commit(TEXTS.settledCountMotifs(count), { type: 'change', changes });
        else editor.announcement.set(TEXTS.alreadyEvenlySpaced);
      })
      .catch((error: unknown) => editor.refusal.set(messageOf(error)));
  };
}
