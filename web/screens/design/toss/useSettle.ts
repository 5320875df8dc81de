import { useEditor } from '../../../cloth/editorContext.ts';

/** Evens out the spacing of motifs by small moves, off the page; each call goes on. */
export function useSettle(): (ids: readonly string[], turning: boolean) => void {
  const bench = useEditor();
  return (ids, turning) => {
    if (ids.length === 0) return;
    const start = bench.session.state.committed;
    bench.tossing.tosser
      .run(start, bench.motifs.getState(), { kind: 'settle', chosen: ids, turning })
      .done.then((changes) => {
        const count = Object.keys(changes).length;
        if (count > 0 && bench.session.state.committed === start)
          bench.commit(`Settled ${count} motifs`, { type: 'change', changes });
        else bench.announcement.set('Already evenly spaced');
      })
      .catch((error: unknown) => bench.refusal.set(error instanceof Error ? error.message : String(error)));
  };
}
