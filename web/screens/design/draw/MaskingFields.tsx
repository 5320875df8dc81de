import { EyeOff } from 'lucide-react';
import { use } from 'react';
import type { DesignMotif } from '../../../../contract/index.ts';
import type { Placement } from '../../../../core/document/index.ts';
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
  const editor = useEditor();
  useStore(editor.selection);
  useStore(editor.session);
  useStore(editor.motifs);
  const notifyProblem = useNotifyProblem();
  const [placement, ...others] = editor.selectedInstances;
  const motif = placement && others.length === 0 ? editor.motif(placement.motif) : undefined;
  const open = (at: Placement, of: DesignMotif): void => {
    fetchArtwork(of.recipe?.kind === 'masked' ? of.recipe.original : of.artwork)
      .then((artwork) => editor.masking.open(at, of, artwork))
      .catch(notifyProblem);
  };
  const points = useStore(editor.points.opened);
  if (points) return <p className="text-sm">{TEXTS.finishPointsFirst(points.name)}</p>;
  const { kept } = editor.masking;
  const keptAt = kept && editor.placement(kept.placement);
  const keptMotif = kept && editor.motif(kept.motif);
  return (
    <>
      <p className="text-sm">{TEXTS.selectToHide}</p>
      {kept && keptAt && keptMotif && (
        <Button onClick={() => open(keptAt, { ...keptMotif, recipe: kept.recipe })}>
          <span className="truncate">{TEXTS.goOnHiding(keptMotif.name)}</span>
        </Button>
      )}
      {placement && motif && (
        <Button onClick={() => open(placement, motif)}>
          <EyeOff size={15} aria-hidden className="shrink-0" />
          <span className="truncate">{TEXTS.hidePartOf(motif.name)}</span>
        </Button>
      )}
    </>
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
