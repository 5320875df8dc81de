import { type Colourway, colourwayOf } from '../../core/document/index.ts';
import { useStore } from '../ui/store.ts';
import { useEditor } from './editorContext.ts';

/** The colourway that is worked in. */
export function useColourway(): Colourway {
  const editor = useEditor();
  const id = useStore(editor.colourwayId);
  return useStore(editor.session, ({ design }) => colourwayOf(design, id));
}
