import { invertSelection, selectByInk, selectSimilar } from '../../../../core/arrange/index.ts';
import { colourwayOf } from '../../../../core/document/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';

/** Choosing by what is alike: one motif, one ink, all that is not chosen. */
export function SelectMore() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { ids } = useStore(editor.selection);
  const free = new Set(editor.editablePlacements.map(({ id }) => id));
  const choose = (found: readonly string[]): void => {
    editor.select(found.filter((id) => free.has(id)));
    editor.announcement.set(`${found.length} motifs selected`);
  };
  const { colours } = colourwayOf(design);
  return (
    <section aria-label="Select more" className="grid gap-2">
      <h4 className="text-xs text-graphite">Select</h4>
      <div className="flex flex-wrap gap-1.5">
        <Button onClick={() => editor.selectAll()}>All</Button>
        {ids.length > 0 && (
          <>
            <Button onClick={() => choose(selectSimilar(design, ids))}>Select similar</Button>
            <Button onClick={() => choose(invertSelection(editor.editablePlacements, ids))}>Invert selection</Button>
          </>
        )}
      </div>
      <div className="flex flex-wrap gap-1.5" role="group" aria-label="Select all in an ink">
        {design.inks
          .filter(({ prints }) => prints.length > 0)
          .map(({ id, name }) => (
            <button
              key={id}
              type="button"
              aria-label={`All in ${name}`}
              title={`All in ${name}`}
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
