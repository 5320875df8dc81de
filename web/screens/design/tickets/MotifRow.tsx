import { useDraggable, useDroppable } from '@dnd-kit/core';
import type { CSSProperties, MouseEvent } from 'react';
import { isEditable } from '../../../../core/document/index.ts';
import { blobUrl } from '../../../api/client.ts';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { StackRow } from '../layerRows.ts';

interface Props {
  readonly row: Extract<StackRow, { kind: 'motif' }>;
  readonly place: CSSProperties;
  readonly landing: 'over' | 'under' | undefined;
  readonly chosen: boolean;
  readonly onTake: (event: MouseEvent) => void;
}

/** The line that shows where what is dragged would come to lie. */
export const LANDING = { over: 'shadow-[inset_0_2px_0_#b3402e]', under: 'shadow-[inset_0_-2px_0_#b3402e]' } as const;

/** A motif's line in the stack: its small picture and name. */
export function MotifRow({ row, place, landing, chosen, onTake }: Props) {
  const editor = useEditor();
  const { setNodeRef: setDrop } = useDroppable({ id: row.key });
  const { setNodeRef: setDrag, listeners } = useDraggable({ id: row.key, disabled: !isEditable(row.layer) });
  const motif = editor.motif(row.placement.motif);
  return (
    <li
      ref={setDrop}
      style={place}
      className={`absolute inset-x-0 ${landing ? LANDING[landing] : ''}`}
      data-row={row.key}
    >
      <button
        ref={setDrag}
        {...listeners}
        type="button"
        data-take
        aria-pressed={chosen}
        disabled={!isEditable(row.layer)}
        onClick={onTake}
        className={`flex h-full w-full touch-none items-center gap-2 pr-2 pl-7 text-left text-sm disabled:opacity-50 ${chosen ? 'bg-ink text-white' : 'hover:bg-linen'}`}
      >
        <span className="grid h-7 w-7 shrink-0 place-items-center rounded-sm bg-white">
          {motif && (
            <img
              src={blobUrl(motif.thumbnail)}
              alt=""
              draggable={false}
              loading="lazy"
              className="max-h-6 max-w-6 motif-thumb"
            />
          )}
        </span>
        <span className="truncate">{row.name}</span>
      </button>
    </li>
  );
}
