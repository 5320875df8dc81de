import { Layers } from 'lucide-react';
import { useStore } from '../../ui/store.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Says on the cloth which layer is being worked in, where there is more than one. */
export function LayerChip({ onOpen }: { readonly onOpen: () => void }) {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  // Choosing a motif goes to its layer.
  useStore(editor.selection);
  if (design.layers.length < 2) return null;
  const { layer } = editor;
  return (
    <button
      type="button"
      data-layer-chip
      title={TEXTS.currentLayerClickForThe}
      onClick={() => {
        editor.arrangeSide.set('stack');
        onOpen();
      }}
      className="z-10 col-start-2 row-start-2 m-3 flex h-7 max-w-60 items-center gap-1.5 self-start justify-self-start rounded-md border border-thread bg-calico px-2 text-xs font-medium shadow-float"
    >
      <Layers size={13} aria-hidden className="shrink-0" />
      <span className="truncate">{layer ? `In ${layer.name}` : TEXTS.noEditableLayer}</span>
    </button>
  );
}
