import { invertSelection, selectByInk, selectSimilar } from '../../../../core/arrange/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Choosing by what is alike: one motif, one ink, all that is not chosen. */
export function SelectMore() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { ids } = useStore(editor.selection);
  const free = new Set(editor.editablePlacements.map(({ id }) => id));
  const choose = (found: readonly string[]): void => {
    editor.select(found.filter((id) => free.has(id)));
    editor.announcement.set(TEXTS.countMotifsSelected(found.length));
  };
  const { colours } = useColourway();
  return (
    <section aria-label={TEXTS.selectMore} className="grid gap-2">
      <h4 className="text-xs text-graphite">{TEXTS.select}</h4>
      <div className="flex flex-wrap gap-1.5">
        <Button onClick={() => editor.selectAll()}>{TEXTS.all}</Button>
        {ids.length > 0 && (
          <>
            <Button onClick={() => choose(selectSimilar(design, ids))}>{TEXTS.selectSimilar}</Button>
            <Button onClick={() => choose(invertSelection(editor.editablePlacements, ids))}>
              {TEXTS.invertSelection}
            </Button>
          </>
        )}
      </div>
      <div className="flex flex-wrap gap-1.5" role="group" aria-label={TEXTS.selectAllInAnInk}>
        {design.inks
          .filter(({ prints }) => prints.length > 0)
          .map(({ id, name }) => (
            <button
              key={id}
              type="button"
              aria-label={TEXTS.allInName(name)}
              title={TEXTS.allInName(name)}
              onClick={() =>
                choose(selectByInk(design, new Map(editor.motifs.getState().map((motif) => [motif.id, motif])), id))
              }
              className="h-6 w-6 rounded-full border border-ink/25"
              style={{ background: colours[id] }}
            />
          ))}
      </div>
    </section>
  );
}
