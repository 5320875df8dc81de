import { AmountField } from '../../../ui/AmountField.tsx';
import { BlendField } from '../../../ui/BlendField.tsx';
import { Button } from '../../../ui/Button.tsx';
import { NameField } from '../../../ui/NameField.tsx';
import { useStore } from '../../../ui/store.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** Name, opacity and blending of a layer, and what is done with it as a whole. */
export function LayerSettings({ id }: { readonly id: string | undefined }) {
  const editor = useEditor();
  const layers = useStore(editor.session, ({ design }) => design.layers);
  const placements = useStore(editor.session, ({ committed }) => committed.placements);
  const { ids } = useStore(editor.selection);
  const at = layers.findIndex((layer) => layer.id === id);
  const layer = layers[at];
  if (!layer) return null;
  const held = placements.filter((placement) => placement.layer === layer.id).map((placement) => placement.id);
  return (
    <section
      aria-label={TEXTS.layerNameText(layer.name)}
      className="grid gap-2 rounded-md border border-thread bg-white p-3"
    >
      <NameField
        label={TEXTS.layerName}
        name={layer.name}
        onRename={(name) => editor.changeLayer(TEXTS.renamedALayer, layer.id, { name })}
        className="h-8 w-full border-thread text-sm font-semibold"
      />
      <div className="grid grid-cols-2 gap-2">
        <AmountField
          label={TEXTS.layerOpacity}
          sign="%"
          value={layer.opacity * 100}
          min={0}
          max={100}
          step={5}
          onChange={(percent) => editor.changeLayer(TEXTS.changedALayersOpacity, layer.id, { opacity: percent / 100 })}
        />
        <BlendField
          label={TEXTS.layerBlend}
          value={layer.blend}
          onChange={(blend) => editor.changeLayer(TEXTS.changedALayersBlending, layer.id, { blend })}
        />
      </div>
      <div className="grid grid-cols-2 gap-2">
        <Button disabled={held.length === 0} onClick={() => editor.select(held)}>
          {TEXTS.selectAllInIt}
        </Button>
        <Button disabled={ids.length === 0} onClick={() => editor.intoLayer(layer)}>
          {TEXTS.moveHere}
        </Button>
        <Button disabled={at === 0} onClick={() => editor.mergeDown(layer)}>
          {TEXTS.mergeDown}
        </Button>
        <Button disabled={layers.length === 1} onClick={() => editor.removeLayer(layer)}>
          {TEXTS.deleteLayer}
        </Button>
      </div>
    </section>
  );
}
