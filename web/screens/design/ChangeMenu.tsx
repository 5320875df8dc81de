import { EyeOff, Palette, PencilRuler, PenLine, Spline, Split } from 'lucide-react';
import { use } from 'react';
import type { DesignMotif } from '../../../contract/index.ts';
import type { Placement } from '../../../core/document/index.ts';
import { useEditor } from '../../cloth/editorContext.ts';
import type { DrawTool } from '../../editor/drawing.ts';
import { makerOf } from '../../ui/makerOf.ts';
import { Menu, type MenuChoice } from '../../ui/Menu.tsx';
import { useNotifyProblem } from '../../ui/Notices.tsx';
import { useStore } from '../../ui/store.ts';
import { MAKER_CHOICES, useMakerPage } from '../../ui/useMakerPage.ts';
import { originalOf } from './draw/originalOf.ts';
import { ShowPartContext } from './showPart.ts';
import { TEXTS } from './texts.ts';
import { useBundles } from './useBundles.ts';

interface Props {
  readonly placement: Placement;
  readonly motif: DesignMotif;
}

/** All that can be changed about the motif of a placement, each a step away. */
export function ChangeMenu({ placement, motif }: Props) {
  const editor = useEditor();
  const { drawing, points, masking } = editor;
  const show = use(ShowPartContext);
  const openMaker = useMakerPage();
  const bundles = useBundles();
  const notifyProblem = useNotifyProblem();
  useStore(drawing.drawn);
  const draw = (tool: DrawTool): void => {
    drawing.tool.set(tool);
    show('draw');
  };
  const open = (kind: 'points' | 'masked'): void => {
    draw(kind === 'points' ? 'points' : 'hide');
    // What is open is finished first; the ticket says so.
    if (points.opened.getState() || masking.opened.getState()) return;
    originalOf(kind, motif)
      .then((artwork) => (kind === 'points' ? points : masking).open(placement, motif, artwork))
      .catch(notifyProblem);
  };
  const maker = makerOf(motif);
  const isDrawn = motif.recipe?.kind === 'drawn' || motif.recipe?.kind === 'vine';
  const choices: (MenuChoice | false | undefined)[] = [
    maker && {
      ...MAKER_CHOICES[maker.page],
      run: () => openMaker(motif, { design: editor.design.id, name: editor.design.name, placement: placement.id }),
    },
    isDrawn &&
      drawing.isEmpty && {
        name: TEXTS.continueDrawing,
        Icon: PenLine,
        run: () => {
          draw('brush');
          drawing.goOn(placement, motif);
        },
      },
    { name: TEXTS.movePoints, Icon: Spline, run: () => open('points') },
    { name: TEXTS.hideAPart, Icon: EyeOff, run: () => open('masked') },
    {
      name: motif.inks.length > 0 ? TEXTS.changeItsInks : TEXTS.changeItsPalette,
      Icon: Palette,
      run: () => show('colour'),
    },
    { name: TEXTS.makeSeparate, Icon: Split, run: () => bundles.separate() },
  ];
  return (
    <Menu
      label={TEXTS.changeTheMotif}
      choices={choices.filter((choice) => typeof choice === 'object')}
      className="grid h-8 w-8 shrink-0 place-items-center rounded-md hover:bg-linen"
    >
      <PencilRuler size={16} aria-hidden />
    </Menu>
  );
}
