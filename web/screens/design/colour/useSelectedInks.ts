import { inksByMotif } from '../../../../core/colourway/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';

/** The ids of the inks that what is selected is printed in. */
export function useSelectedInks(): readonly string[] {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { ids } = useStore(editor.selection);
  useStore(editor.motifs);
  const motifs = new Set(design.placements.flatMap(({ id, motif }) => (ids.includes(id) ? [motif] : [])));
  return [...motifs].flatMap((id) => {
    const motif = editor.motif(id);
    return motif ? inksByMotif(design.inks, motif) : [];
  });
}
