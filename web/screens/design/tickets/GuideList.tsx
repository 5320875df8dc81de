import { Trash2 } from 'lucide-react';
import { nanoid } from 'nanoid';
import type { Guide } from '../../../../core/document/index.ts';
import { Button } from '../../../ui/Button.tsx';
import { Fold } from '../../../ui/Fold.tsx';
import { LengthField } from '../../../ui/LengthField.tsx';
import { useStore } from '../../../ui/store.ts';
import { Tick } from '../../../ui/Tick.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { TEXTS } from './texts.ts';

/** What catches what is moved, and the designer's own guides by their numbers. */
export function GuideList() {
  const editor = useEditor();
  const design = useStore(editor.session, ({ committed }) => committed);
  const on = useStore(editor.snapping);
  const shown = useStore(editor.guidesShown);
  const { guides, repeat } = design;
  const commit = (label: string, next: readonly Guide[]): boolean =>
    editor.commit(label, { type: 'guides', guides: next });
  const add = (axis: Guide['axis']): void => {
    editor.guidesShown.set(true);
    commit(TEXTS.addedAGuide, [
      ...guides,
      { id: nanoid(8), axis, at: (axis === 'x' ? repeat.width : repeat.height) / 2 },
    ]);
  };
  return (
    <Fold name={TEXTS.guidesAndSnapping} {...(guides.length > 0 && { note: String(guides.length) })}>
      <div>
        <Tick label={TEXTS.snapWhileMoving} on={on} onChange={(next) => editor.snapping.set(next)} />
        <p className="text-xs text-graphite">{TEXTS.theCellsEdgesAndShares}</p>
      </div>
      <Tick label={TEXTS.showGuides} on={shown} onChange={(next) => editor.guidesShown.set(next)} />
      <ul aria-label={TEXTS.guides} className="grid gap-1.5">
        {guides.map((guide, n) => (
          <li key={guide.id} className="grid grid-cols-[64px_minmax(0,1fr)_32px] items-center gap-2 text-sm">
            {guide.axis === 'x' ? TEXTS.upright : TEXTS.level}
            <LengthField
              label={TEXTS.guideNFromTheCells(n + 1, guide.axis)}
              hideLabel
              mm={guide.at}
              signed
              onChange={(at) =>
                commit(
                  TEXTS.movedAGuide,
                  guides.map((one) => (one.id === guide.id ? { ...one, at } : one)),
                )
              }
            />
            <Button
              look="quiet"
              label={TEXTS.takeGuideNAway(n + 1)}
              onClick={() =>
                commit(
                  TEXTS.deletedAGuide,
                  guides.filter(({ id }) => id !== guide.id),
                )
              }
            >
              <Trash2 size={15} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
      <div className="grid grid-cols-2 gap-2">
        <Button onClick={() => add('x')}>{TEXTS.uprightGuide}</Button>
        <Button onClick={() => add('y')}>{TEXTS.levelGuide}</Button>
      </div>
      <p className="text-xs text-graphite">{TEXTS.orDragOneOutOf}</p>
    </Fold>
  );
}
