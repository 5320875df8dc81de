import {
  DndContext,
  type DragEndEvent,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState } from 'react';
import { type Hex, lettersOn } from '../../../../core/colour/index.ts';
import type { Colourway, Command, Ink } from '../../../../core/document/index.ts';
import { ARROW_STEPS } from '../../../ui/arrowSteps.ts';
import { Button } from '../../../ui/Button.tsx';
import { NameField } from '../../../ui/NameField.tsx';
import { Overlay } from '../../../ui/Overlay.tsx';
import { useEditor } from '../../../cloth/editorContext.ts';
import { useColourway } from '../../../cloth/useColourway.ts';
import { useStore } from '../../../ui/store.ts';
import { AddColourway, ColourwayHead } from './ColourwayHead.tsx';
import { ColourPicker } from './ColourPicker.tsx';
import { LockButton } from './LockButton.tsx';
import { TEXTS } from './texts.ts';
import { useColourEdit } from './useColourEdit.ts';

/** A cell: an ink in a colourway, by their ids. */
interface CellPlace {
  readonly ink: string;
  readonly colourway: string;
}

const keyOf = ({ ink, colourway }: CellPlace): string => `${ink} ${colourway}`;
const placeOf = (key: unknown): CellPlace => {
  const [ink = '', colourway = ''] = String(key).split(' ');
  return { ink, colourway };
};

/** Every ink in every colourway: a row for each ink, a column for each colourway. */
export function ColourwayTable({ onClose }: { readonly onClose: () => void }) {
  const editor = useEditor();
  const { inks, colourways } = useStore(editor.session, ({ design }) => design);
  const current = useColourway();
  const [opened, setOpened] = useState<CellPlace>();
  // A click opens a cell, only a movement drags it.
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const drop = ({ active, over, activatorEvent }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    exchange(placeOf(active.id), placeOf(over.id), activatorEvent instanceof PointerEvent && activatorEvent.altKey);
  };
  const swapBeside = ({ ink, colourway }: CellPlace, across: number, down: number): void => {
    const row = inks[inks.findIndex(({ id }) => id === ink) + down];
    const column = colourways[colourways.findIndex(({ id }) => id === colourway) + across];
    if (row && column) exchange({ ink, colourway }, { ink: row.id, colourway: column.id }, false);
  };
  const exchange = (from: CellPlace, to: CellPlace, isCopy: boolean): void => {
    const colourAt = ({ ink, colourway }: CellPlace): Hex | undefined =>
      colourways.find(({ id }) => id === colourway)?.colours[ink];
    const isLocked = ({ ink }: CellPlace): boolean => inks.find(({ id }) => id === ink)?.locked === true;
    const [a, b] = [colourAt(from), colourAt(to)];
    if (!a || !b || isLocked(to) || (!isCopy && isLocked(from))) return;
    const commands: Command[] = [{ type: 'colour', ...to, colour: a }];
    if (!isCopy) commands.push({ type: 'colour', ...from, colour: b });
    editor.commit(isCopy ? TEXTS.copied : TEXTS.swapped, { type: 'all', commands });
  };
  const openedInk = inks.find(({ id }) => id === opened?.ink);
  const openedColourway = colourways.find(({ id }) => id === opened?.colourway);
  return (
    <Overlay label={TEXTS.colourways} title={TEXTS.colourways} note={TEXTS.tableNote} onClose={onClose}>
      <div className="flex min-h-0 grow">
        <div className="min-w-0 grow overflow-auto p-5">
          <DndContext sensors={sensors} onDragEnd={drop}>
            <table className="border-separate border-spacing-1">
              <thead>
                <tr>
                  <th scope="col" className="sticky left-0 bg-linen" />
                  {colourways.map((colourway, n) => (
                    <th key={colourway.id} scope="col" className="min-w-36 align-bottom font-normal">
                      <ColourwayHead
                        colourway={colourway}
                        at={n}
                        count={colourways.length}
                        isCurrent={colourway.id === current.id}
                      />
                    </th>
                  ))}
                  <th scope="col" className="align-bottom">
                    <AddColourway />
                  </th>
                </tr>
              </thead>
              <tbody>
                {inks.map((ink) => (
                  <tr key={ink.id}>
                    <th scope="row" className="sticky left-0 bg-linen pr-2 text-left font-normal">
                      <InkHead ink={ink} />
                    </th>
                    {colourways.map((colourway) => (
                      <td key={colourway.id} className="p-0">
                        <TableCell
                          ink={ink}
                          colourway={colourway}
                          isOpen={opened?.ink === ink.id && opened.colourway === colourway.id}
                          onOpen={() => setOpened({ ink: ink.id, colourway: colourway.id })}
                          onSwap={(across, down) => swapBeside({ ink: ink.id, colourway: colourway.id }, across, down)}
                        />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </DndContext>
        </div>
        {openedInk && openedColourway && (
          <aside className="w-80 shrink-0 overflow-y-auto border-l border-thread bg-calico p-4">
            <h3 className="mb-3 font-name text-base font-semibold">
              {TEXTS.cellOf(openedInk.name, openedColourway.name)}
            </h3>
            <CellPicker key={keyOf(opened as CellPlace)} ink={openedInk} colourway={openedColourway} />
          </aside>
        )}
      </div>
    </Overlay>
  );
}

function CellPicker({ ink, colourway }: { readonly ink: Ink; readonly colourway: Colourway }) {
  const editor = useEditor();
  const edit = useColourEdit(ink, colourway);
  if (ink.locked) return <p className="text-sm text-graphite">{TEXTS.isLocked}</p>;
  const used = editor.design.inks.flatMap(({ id }) => (id === ink.id ? [] : (colourway.colours[id] ?? [])));
  return <ColourPicker colour={colourway.colours[ink.id] as Hex} used={used} onShow={edit.show} onTake={edit.take} />;
}

function InkHead({ ink }: { readonly ink: Ink }) {
  const editor = useEditor();
  const { id, name } = ink;
  const ids = useStore(editor.session, ({ design }) => design.inks).map((one) => one.id);
  const at = ids.indexOf(id);
  const move = (by: number): void => {
    const order = ids.filter((one) => one !== id);
    order.splice(at + by, 0, id);
    editor.commit(TEXTS.reorderedInks, { type: 'order-inks', ids: order });
  };
  return (
    <span className="flex items-center gap-1">
      <Button look="quiet" label={TEXTS.earlier(name)} disabled={at === 0} onClick={() => move(-1)}>
        <ChevronUp size={14} aria-hidden />
      </Button>
      <Button look="quiet" label={TEXTS.later(name)} disabled={at === ids.length - 1} onClick={() => move(1)}>
        <ChevronDown size={14} aria-hidden />
      </Button>
      <NameField
        label={TEXTS.nameOfTheInk(name)}
        name={name}
        onRename={(next) =>
          editor.commit(TEXTS.renamedAnInk, { type: 'change-inks', changes: { [id]: { name: next } } })
        }
        className="h-8 w-36 border-transparent text-sm hover:border-thread"
      />
      <LockButton ink={ink} />
    </span>
  );
}

interface CellProps {
  readonly ink: Ink;
  readonly colourway: Colourway;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
  /** Swaps it with the one so many columns and rows away. */
  readonly onSwap: (across: number, down: number) => void;
}

function TableCell({ ink, colourway, isOpen, onOpen, onSwap }: CellProps) {
  const id = keyOf({ ink: ink.id, colourway: colourway.id });
  const { setNodeRef: setDragged, listeners, transform, isDragging } = useDraggable({ id });
  const { setNodeRef: setPlace, isOver } = useDroppable({ id });
  const colour = colourway.colours[ink.id] as Hex;
  return (
    <div ref={setPlace} className={`rounded-sm ${isOver && !isDragging ? 'ring-2 ring-ink' : ''}`}>
      <button
        ref={setDragged}
        type="button"
        {...listeners}
        aria-pressed={isOpen}
        aria-label={`${TEXTS.cellOf(ink.name, colourway.name)}: ${colour}`}
        data-cell-colour={colour}
        onClick={onOpen}
        data-own-arrows
        onKeyDown={(event) => {
          const way = event.altKey ? ARROW_STEPS[event.key] : undefined;
          if (!way) return;
          event.preventDefault();
          onSwap(way.x, way.y);
        }}
        className={`h-11 w-full touch-none rounded-sm border text-xs ${isOpen ? 'border-ink ring-2 ring-ink' : 'border-ink/20'} ${isDragging ? 'relative z-10 shadow-float' : ''}`}
        style={{
          background: colour,
          color: lettersOn(colour),
          ...(transform && { transform: `translate(${transform.x}px, ${transform.y}px)` }),
        }}
      >
        {colour.toUpperCase()}
      </button>
    </div>
  );
}
