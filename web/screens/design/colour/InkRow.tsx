import { useEffect, useRef } from 'react';
import type { Hex } from '../../../../core/colour/index.ts';
import { addInk, colourGround, groundInk } from '../../../../core/colourway/index.ts';
import type { Ink } from '../../../../core/document/index.ts';
import { NameField } from '../../../ui/NameField.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { useStore } from '../../../ui/store.ts';
import { ColourPicker, type RampUse } from './ColourPicker.tsx';
import { freeInk } from './freeInk.ts';
import { InkDeeds } from './InkDeeds.tsx';
import { OnlyHere } from './OnlyHere.tsx';
import { LockButton } from './LockButton.tsx';
import { TEXTS } from './texts.ts';
import { useColourEdit } from './useColourEdit.ts';

interface Props {
  readonly ink: Ink;
  readonly open: boolean;
  /** Of the cloth, in percent; undefined while it is being measured. */
  readonly share: number | undefined;
}

/** An ink: its colour in the colourway that is worked in, its name, whether it is locked; opened, everything that is done to it. */
export function InkRow({ ink, open, share }: Props) {
  const editor = useEditor();
  const colourway = useColourway();
  const colour = colourway.colours[ink.id] as Hex;
  const row = useRef<HTMLDivElement>(null);
  const edit = useColourEdit(ink, colourway);
  const isGround = useStore(editor.session, ({ design }) => groundInk(design)?.id === ink.id);
  const others: readonly RampUse[] = [
    ...(isGround
      ? []
      : [
          {
            name: TEXTS.theGround,
            take(next: Hex) {
              const command = colourGround(editor.design, colourway.id, next);
              if (command) editor.commit(TEXTS.colouredTheGround, command);
            },
          },
        ]),
    {
      name: TEXTS.aNewInk,
      take(next: Hex) {
        const added = freeInk(editor.design, next);
        editor.commit(TEXTS.addedInk(added.name), addInk(editor.design, added, next));
      },
    },
  ];
  useEffect(() => {
    if (open) row.current?.scrollIntoView({ block: 'nearest' });
  }, [open]);
  return (
    <div ref={row} data-ink={ink.id} className="rounded-md border border-thread bg-white">
      <div className="flex items-center gap-1.5 p-1.5">
        <button
          type="button"
          aria-expanded={open}
          aria-label={TEXTS.changeTheInkName(ink.name)}
          title={colour.toUpperCase()}
          onClick={() => editor.ink.set(open ? undefined : ink.id)}
          className="h-6 w-6 shrink-0 rounded-full border border-ink/25"
          style={{ background: colour }}
        />
        <NameField
          label={TEXTS.nameOfTheInk(ink.name)}
          name={ink.name}
          onRename={(name) =>
            editor.commit(TEXTS.renamedAnInk, { type: 'change-inks', changes: { [ink.id]: { name } } })
          }
          className="h-7 grow border-transparent text-sm hover:border-thread"
        />
        {share !== undefined && (
          <span className="shrink-0 text-xs text-graphite">{TEXTS.coverage(share.toFixed(share < 1 ? 1 : 0))}</span>
        )}
        <LockButton ink={ink} />
      </div>
      {open && (
        <div className="grid grid-cols-1 gap-3 border-t border-thread p-2.5">
          {!ink.locked && <OnlyHere ink={ink} />}
          {ink.locked ? (
            <p className="text-xs text-graphite">{TEXTS.isLocked}</p>
          ) : (
            <ColourPicker
              colour={colour}
              used={editor.design.inks.flatMap(({ id }) => (id === ink.id ? [] : (colourway.colours[id] ?? [])))}
              onShow={edit.show}
              onTake={edit.take}
              others={others}
            />
          )}
          <InkDeeds ink={ink} />
        </div>
      )}
    </div>
  );
}
