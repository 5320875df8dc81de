import { unusedInks } from '../../../../core/colourway/index.ts';
import { inksOfGround } from '../../../../core/document/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useStore } from '../../../ui/store.ts';
import { ColourwayBar } from './ColourwayBar.tsx';
import { Contrast } from './Contrast.tsx';
import { GroundPart } from './ground/GroundPart.tsx';
import { InkRow } from './InkRow.tsx';
import { InkShelves } from './shelves/InkShelves.tsx';
import { ReduceInks } from './ReduceInks.tsx';
import { TEXTS } from './texts.ts';
import { SelectedPicture } from './SelectedPicture.tsx';
import { useInkAreas } from './useInkAreas.ts';
import { useSelectedInks } from './useSelectedInks.ts';

/** The colourway that is worked in, the ground and the inks: change one and it changes everywhere at once. */
export function ColourTicket() {
  const editor = useEditor();
  const inks = useStore(editor.session, ({ design }) => design.inks);
  const groundNow = useStore(editor.session, ({ design }) => design.ground);
  const opened = useStore(editor.ink);
  const areas = useInkAreas();
  const onGround = inksOfGround(groundNow);
  const ofSelection = useSelectedInks();
  const selected = inks.filter(({ id }) => ofSelection.includes(id) && !onGround.includes(id));
  const others = inks.filter((ink) => !onGround.includes(ink.id) && !selected.includes(ink));
  const shareOf = (id: string): number | undefined => {
    const n = areas?.inks.findIndex((ink) => ink.id === id) ?? -1;
    const share = areas?.shares.inks[n];
    return share === undefined ? undefined : 100 * share;
  };
  return (
    <div className="grid grid-cols-1 gap-5">
      <ColourwayBar />
      <GroundPart shareOf={shareOf} />
      {selected.length > 0 && (
        <section aria-label={TEXTS.inksOfTheSelection} className="grid grid-cols-1 gap-2">
          <h3 className="text-xs text-graphite">{TEXTS.inksOfTheSelection}</h3>
          {selected.map((ink) => (
            <InkRow key={ink.id} ink={ink} open={opened === ink.id} share={shareOf(ink.id)} />
          ))}
        </section>
      )}
      <SelectedPicture />
      <section aria-label={TEXTS.inks} className="grid grid-cols-1 gap-2">
        {selected.length === 0 && <h3 className="text-xs text-graphite">{TEXTS.inks}</h3>}
        {selected.length > 0 && others.length > 0 && <h3 className="text-xs text-graphite">{TEXTS.otherInks}</h3>}
        {inks.length === onGround.length && <p className="text-sm">{TEXTS.inksAreAddedWithThe}</p>}
        {others.map((ink) => (
          <InkRow key={ink.id} ink={ink} open={opened === ink.id} share={shareOf(ink.id)} />
        ))}
        <PictureShare share={areas?.shares.pictures} />
        <Unused />
      </section>
      <Fold name={TEXTS.shelves}>
        <InkShelves />
      </Fold>
      <Fold name={TEXTS.contrast}>
        <Contrast areas={areas} />
      </Fold>
      <Fold name={TEXTS.reduce}>
        <ReduceInks areas={areas} />
      </Fold>
    </div>
  );
}

/** How much of the cloth pictures cover, which have no inks. @param share 0 to 1; undefined while it is being measured */
function PictureShare({ share = 0 }: { readonly share: number | undefined }) {
  if (share < LEAST_SHARE) return null;
  return <p className="text-xs text-graphite">{TEXTS.picturesCover((100 * share).toFixed(share < 0.01 ? 1 : 0))}</p>;
}

/** Less than this is not told. */
const LEAST_SHARE = 0.0005;

/** Inks that nothing on the cloth is printed in, and a way to be rid of them. */
function Unused() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  useStore(editor.motifs);
  const unused = unusedInks(design, editor.motifMap);
  if (unused.length === 0) return null;
  const remove = (): void => {
    editor.commit(TEXTS.removedUnused, { type: 'remove-inks', ids: unused.map(({ id }) => id) });
  };
  return (
    <p className="flex items-center gap-2 text-xs text-graphite">
      {TEXTS.unused(unused.length)}
      <Button onClick={remove}>{TEXTS.removeUnused}</Button>
    </p>
  );
}
