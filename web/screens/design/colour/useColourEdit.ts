import type { Hex } from '../../../../core/colour/index.ts';
import { colourInk } from '../../../../core/colourway/index.ts';
import type { Colourway, Ink } from '../../../../core/document/index.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { rememberColour } from './recentColours.ts';
import { TEXTS } from './texts.ts';
import { useRestingEdit } from './useRestingEdit.ts';

/** Changes an ink in a colourway. */
export function useColourEdit(
  ink: Ink,
  colourway: Colourway,
): { readonly show: (colour: Hex) => void; readonly take: (colour: Hex) => void } {
  const editor = useEditor();
  return useRestingEdit(
    (colour: Hex) => colourInk(editor.session.state.committed, ink.id, colourway.id, colour),
    () => TEXTS.changedName(ink.name),
    editor,
    rememberColour,
  );
}
