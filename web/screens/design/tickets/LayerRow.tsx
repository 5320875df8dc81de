import { useDraggable, useDroppable } from '@dnd-kit/core';
import { ChevronDown, ChevronRight, Eye, EyeOff, Lock, LockOpen } from 'lucide-react';
import type { CSSProperties, ReactNode } from 'react';
import { useEditor } from '../../../cloth/editorContext.ts';
import type { StackRow } from '../layerRows.ts';
import { LANDING } from './MotifRow.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly row: Extract<StackRow, { kind: 'layer' }>;
  readonly place: CSSProperties;
  readonly landing: 'over' | 'under' | undefined;
  /** Whether new things come into it. */
  readonly working: boolean;
  readonly onTake: () => void;
  readonly onFold: () => void;
}

/** A layer's line in the stack: folded, named, shown, locked. */
export function LayerRow({ row, place, landing, working, onTake, onFold }: Props) {
  const editor = useEditor();
  const { layer, count, folded } = row;
  const { setNodeRef: setDrop } = useDroppable({ id: row.key });
  const { setNodeRef: setDrag, listeners } = useDraggable({ id: row.key });
  return (
    <li
      ref={setDrop}
      style={place}
      className={`absolute inset-x-0 flex items-center border-b border-thread bg-calico ${landing ? LANDING[landing] : ''}`}
      data-row={row.key}
      data-layer={layer.id}
    >
      <Small label={`${folded ? TEXTS.unfold : TEXTS.fold} ${layer.name}`} onClick={onFold}>
        {folded ? <ChevronRight size={14} aria-hidden /> : <ChevronDown size={14} aria-hidden />}
      </Small>
      <button
        ref={setDrag}
        {...listeners}
        type="button"
        data-take
        aria-pressed={working}
        title={working ? TEXTS.newMotifsGoIntoThis : TEXTS.makeThisTheCurrentLayer}
        onClick={onTake}
        className={`flex h-full min-w-0 grow touch-none items-center gap-1.5 text-left text-sm ${working ? 'font-bold' : ''} ${layer.shown ? '' : 'text-graphite'}`}
      >
        {working && <span aria-hidden className="h-2 w-2 shrink-0 rounded-full bg-madder" />}
        <span className="truncate">{layer.name}</span>
        <span className="text-xs font-normal text-graphite">{count}</span>
      </button>
      <Small
        label={`${layer.shown ? TEXTS.hide : TEXTS.show} ${layer.name}`}
        pressed={!layer.shown}
        onClick={() =>
          editor.changeLayer(layer.shown ? TEXTS.hidName(layer.name) : TEXTS.showedName(layer.name), layer.id, {
            shown: !layer.shown,
          })
        }
      >
        {layer.shown ? <Eye size={15} aria-hidden /> : <EyeOff size={15} aria-hidden />}
      </Small>
      <Small
        label={`${layer.locked ? TEXTS.unlock : TEXTS.lock} ${layer.name}`}
        pressed={layer.locked}
        onClick={() =>
          editor.changeLayer(layer.locked ? TEXTS.unlockedName(layer.name) : TEXTS.lockedName(layer.name), layer.id, {
            locked: !layer.locked,
          })
        }
      >
        {layer.locked ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden className="opacity-50" />}
      </Small>
    </li>
  );
}

function Small({
  label,
  pressed,
  onClick,
  children,
}: {
  readonly label: string;
  readonly pressed?: boolean;
  readonly onClick: () => void;
  readonly children: ReactNode;
}) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      aria-pressed={pressed}
      onClick={onClick}
      className="grid h-full w-7 shrink-0 place-items-center rounded-sm hover:bg-linen"
    >
      {children}
    </button>
  );
}
