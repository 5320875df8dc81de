import type { Ground } from '../../../../../core/document/index.ts';
import { useEditor } from '../../../../cloth/editorContext.ts';
import { useRestingEdit } from '../useRestingEdit.ts';
import { TEXTS } from './texts.ts';

/** Changes the ground: shown at once, and one edit where the hand rests. */
export function useGroundEdit(): { readonly show: (ground: Ground) => void; readonly settle: () => void } {
  const editor = useEditor();
  return useRestingEdit(
    (ground: Ground) => ({ type: 'ground', ground }),
    () => TEXTS.changedTheGround,
    editor,
  );
}
