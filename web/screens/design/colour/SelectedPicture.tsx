import { useEditor } from '../../../cloth/editorContext.ts';
import { useNotifyProblem } from '../../../ui/Notices.tsx';
import { useStore } from '../../../ui/store.ts';
import { PicturePalette } from '../../drawer/PicturePalette.tsx';
import { useMotifSteps } from '../useMotifSteps.ts';

/** The palette of the one motif that is selected, where it has pictures. */
export function SelectedPicture() {
  const editor = useEditor();
  const { remake } = useMotifSteps(editor);
  const notifyProblem = useNotifyProblem();
  const design = useStore(editor.session, ({ committed }) => committed);
  const { ids } = useStore(editor.selection);
  useStore(editor.motifs);
  const [id, other] = new Set(design.placements.flatMap((one) => (ids.includes(one.id) ? [one.motif] : [])));
  const motif = id !== undefined && other === undefined ? editor.motif(id) : undefined;
  if (!motif || motif.deleted) return null;
  return (
    <PicturePalette
      key={motif.id}
      motif={motif}
      onRecipe={(recipe) => void remake(motif, recipe).catch(notifyProblem)}
    />
  );
}
