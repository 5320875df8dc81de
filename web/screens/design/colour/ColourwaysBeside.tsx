import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';
import { type Pane, Panes } from '../alternatives/Panes.tsx';
import { TEXTS } from './texts.ts';

/** So many are seen at once; each is a cloth of its own. */
const MOST_BESIDE = 9;

/** Colourways as live cloth at one scale; one of them becomes the one that is worked in. */
export function ColourwaysBeside({ onClose }: { readonly onClose: () => void }) {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const current = useStore(editor.colourwayId) ?? design.colourways[0]?.id;
  const at = Math.max(
    0,
    design.colourways.findIndex(({ id }) => id === current),
  );
  // The one that is worked in is among them, however many there are.
  const first = Math.max(0, Math.min(at, design.colourways.length - MOST_BESIDE));
  const panes = design.colourways.slice(first, first + MOST_BESIDE).map(({ id, name }): Pane => ({
    key: id,
    name,
    design,
    colourway: id,
    note: undefined,
    take:
      id === current
        ? undefined
        : () => {
            editor.colourwayId.set(id);
            onClose();
          },
  }));
  return (
    <Panes label={TEXTS.besideLabel} note={TEXTS.besideNote} panes={panes} takeName={TEXTS.workIn} onClose={onClose} />
  );
}
