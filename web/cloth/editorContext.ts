import { createContext, useContext } from 'react';
import type { Editor } from '../editor/editor.ts';

export const EditorContext = createContext<Editor | undefined>(undefined);

/** The editor of the design that is open. */
export function useEditor(): Editor {
  const editor = useContext(EditorContext);
  if (!editor) throw new Error('no design is open here');
  return editor;
}
