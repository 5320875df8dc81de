import { EyeOff } from 'lucide-react';
import { use } from 'react';
import { fetchArtwork } from '../../../api/motifs.ts';
import { ClothContext } from '../../../cloth/clothContext.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import { silhouetteLoops } from '../../../cloth/silhouetteLoops.ts';
import type { AreaTool, MaskScope, OpenedMask } from '../../../editor/masking.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/Choice.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useNotifyProblem } from '../../../ui/Notices.tsx';
import { useStore } from '../../../ui/store.ts';
import { BrushWidthField } from './BrushWidthField.tsx';
import { OpenSelected } from './OpenSelected.tsx';
import { TEXTS } from './texts.ts';

const AREA_TOOLS: readonly { readonly value: AreaTool; readonly name: string }[] = [
  { value: 'lasso', name: TEXTS.lasso },
  { value: 'box', name: TEXTS.box },
  { value: 'ellipse', name: TEXTS.ellipse },
  { value: 'brush', name: TEXTS.brush },
];
const DEEDS = [
  { value: 'hide', name: TEXTS.hideIt },
  { value: 'show', name: TEXTS.showItAgain },
  { value: 'keep', name: TEXTS.hideAllElse },
] as const;
const SCOPES: readonly { readonly value: MaskScope; readonly name: string }[] = [
  { value: 'motif', name: TEXTS.everyPlacement },
  { value: 'placement', name: TEXTS.thisPlacement },
];

/** The widest fade, mm. */
const SOFTEST = 100;

/** Parts of a motif that are hidden: with what an area is marked, what it does, and how soft its edge is. */
export function MaskingFields() {
  const { masking } = useEditor();
  const opened = useStore(masking.opened);
  return opened ? <Opened opened={opened} /> : <Opening />;
}

function Opening() {
  const { points, masking } = useEditor();
  const opened = useStore(points.opened);
  return opened ? (
    <p className="text-sm">{TEXTS.finishPointsFirst(opened.name)}</p>
  ) : (
    <OpenSelected
      kind="masked"
      note={TEXTS.selectToHide}
      Icon={EyeOff}
      kept={masking.kept}
      goOnText={TEXTS.goOnHiding}
      openText={TEXTS.hidePartOf}
      open={(at, of, artwork) => masking.open(at, of, artwork)}
    />
  );
}

function Opened({ opened }: { readonly opened: OpenedMask }) {
  const { masking } = useEditor();
  const tool = useStore(masking.tool);
  const deed = useStore(masking.deed);
  const scope = useStore(masking.scope);
  const { areas, softness } = useStore(masking.mask);
  const [a, b, c, d] = opened.frame;
  const toMm = Math.sqrt(Math.abs(a * d - b * c));
  return (
    <>
      <p className="text-sm">{TEXTS.markAnArea}</p>
      <Choice
        label={TEXTS.markWith}
        captioned
        value={tool}
        options={AREA_TOOLS}
        onChange={(next) => masking.tool.set(next)}
      />
      <Choice
        label={TEXTS.whatLiesInIt}
        captioned
        value={deed}
        options={DEEDS}
        onChange={(next) => masking.deed.set(next)}
      />
      {tool === 'brush' && <BrushWidthField />}
      <LengthField
        label={TEXTS.softEdge}
        mm={softness * toMm}
        min={0}
        max={SOFTEST}
        disabled={areas.length === 0}
        onChange={(mm) => masking.soften(mm / toMm)}
      />
      <ClipField />
      <Choice
        label={TEXTS.changes}
        captioned
        value={scope}
        options={SCOPES}
        onChange={(next) => masking.scope.set(next)}
      />
      <Button disabled={areas.length === 0} onClick={() => masking.clear()}>
        {TEXTS.showAll}
      </Button>
      <p role="status" className="text-xs text-graphite" data-areas={areas.length}>
        {TEXTS.areaCount(areas.length)}
      </p>
    </>
  );
}

/** Hides what lies outside the outline of another motif. */
function ClipField() {
  const editor = useEditor();
  const cloth = use(ClothContext);
  useStore(editor.session);
  useStore(editor.motifs);
  const notifyProblem = useNotifyProblem();
  const others = editor.masking.met;
  const clip = (id: string): void => {
    const placement = others.find((one) => one.id === id);
    const motif = placement && editor.motif(placement.motif);
    if (!placement || !motif || !cloth) return;
    fetchArtwork(motif.artwork)
      .then((artwork) => editor.masking.clipTo(placement, motif, silhouetteLoops(artwork, cloth.view.backend)))
      .then((isClipped) => !isClipped && editor.refusal.set(TEXTS.tooFarToClip(motif.name)))
      .catch(notifyProblem);
  };
  if (others.length === 0) return null;
  return (
    <label className="grid gap-1 text-xs text-graphite">
      {TEXTS.clipTo}
      <select
        aria-label={TEXTS.clipTo}
        value=""
        className="h-8 rounded-md border border-thread bg-white px-2 text-sm text-ink"
        onChange={({ target }) => clip(target.value)}
      >
        <option value="">{TEXTS.theOutlineOf}</option>
        {others.map((placement) => (
          <option key={placement.id} value={placement.id}>
            {editor.motif(placement.motif)?.name}
          </option>
        ))}
      </select>
    </label>
  );
}
