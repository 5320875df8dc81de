import type { Ground } from '../../../../../core/document/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { useRestingEdit } from '../useRestingEdit.ts';
import { TEXTS } from './texts.ts';

/** Changes the ground: shown at once, and one edit where the hand rests. */
export function useGroundEdit(): (ground: Ground) => void {
  const editor = useEditor();
  const { show } = useRestingEdit(
    (ground: Ground) => ({ type: 'ground', ground }),
    () => TEXTS.changedTheGround,
    editor,
  );
  return show;
}
