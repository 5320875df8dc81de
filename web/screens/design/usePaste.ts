import { useCallback, useEffect, useRef } from 'react';
import type { Point } from '../../../core/geometry/index.ts';
import type { ClothParts } from '../../cloth/clothParts.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import { middle, toMm } from '../../cloth/viewport.ts';
import { pastedFiles } from './pastedFiles.ts';

const isElsewhere = (event: Event): boolean =>
  (event.target as Element).closest('input, textarea, select, [contenteditable]') !== null ||
  document.querySelector('[role="dialog"]') !== null;

/**
 * Has pictures and drawings of the system's clipboard laid on the cloth, under the pointer or in the middle of what is seen.
 *
 * @returns pastes what was copied last, here or elsewhere; to be called while the key is handled that pastes
 */
export function usePaste(cloth: ClothParts | undefined, lay: (files: readonly File[], at: Point) => void): () => void {
  const editor = useEditor();
  const own = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    const onPaste = (event: ClipboardEvent): void => {
      const { clipboardData } = event;
      if (!cloth || !clipboardData || isElsewhere(event)) return;
      const text = clipboardData.getData('image/svg+xml') || clipboardData.getData('text/plain');
      const files = pastedFiles({ files: clipboardData.files, text });
      if (files.length === 0) return;
      event.preventDefault();
      clearTimeout(own.current);
      const viewport = cloth.view.getViewport();
      lay(files, toMm(viewport, cloth.controller.pointer ?? middle(viewport)));
    };
    // A picture that was copied before is not what is pasted next.
    const onCopy = (event: ClipboardEvent): void => {
      const { selectedPlacements } = editor;
      if (selectedPlacements.length === 0 || isElsewhere(event)) return;
      const names = selectedPlacements.flatMap(({ motif }) => editor.motif(motif)?.name ?? []);
      event.clipboardData?.setData('text/plain', names.join('\n'));
      event.preventDefault();
    };
    const stop = new AbortController();
    document.addEventListener('paste', onPaste, { signal: stop.signal });
    document.addEventListener('copy', onCopy, { signal: stop.signal });
    document.addEventListener('cut', onCopy, { signal: stop.signal });
    return () => {
      stop.abort();
      clearTimeout(own.current);
    };
  }, [editor, cloth, lay]);
  return useCallback(() => {
    // The browser says after the key what its clipboard holds.
    clearTimeout(own.current);
    own.current = setTimeout(() => editor.paste());
  }, [editor]);
}
