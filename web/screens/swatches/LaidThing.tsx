import { DndContext, PointerSensor, useDraggable, useSensor, useSensors, KeyboardSensor } from '@dnd-kit/core';
import { useState } from 'react';
import { KNOWN_THINGS, type KnownThingName } from './knownThings.tsx';
import { TEXTS } from './texts.ts';

interface Props {
  readonly thing: KnownThingName;
  /** Width of the tile, mm. */
  readonly tileWidth: number;
  /** CSS pixels per millimetre. */
  readonly scale: number;
}

/** Something of known size on the cloth, at its scale; it can be moved about. */
export function LaidThing(props: Props) {
  const [at, setAt] = useState({ x: 0, y: 0 });
  const sensors = useSensors(useSensor(PointerSensor), useSensor(KeyboardSensor));
  return (
    <DndContext sensors={sensors} onDragEnd={({ delta }) => setAt({ x: at.x + delta.x, y: at.y + delta.y })}>
      <Thing {...props} at={at} />
    </DndContext>
  );
}

function Thing({ thing, tileWidth, scale, at }: Props & { readonly at: { readonly x: number; readonly y: number } }) {
  const { name, size, draw } = KNOWN_THINGS[thing];
  const { width, height } = size(tileWidth);
  const { setNodeRef, listeners, attributes, transform } = useDraggable({ id: thing });
  const { x, y } = { x: at.x + (transform?.x ?? 0), y: at.y + (transform?.y ?? 0) };
  return (
    <div className="pointer-events-none absolute inset-0 grid place-items-center overflow-hidden">
      <div
        ref={setNodeRef}
        {...attributes}
        {...listeners}
        aria-label={TEXTS.laid(name)}
        data-laid={thing}
        className="pointer-events-auto cursor-move touch-none drop-shadow-md"
        style={{ width: width * scale, height: height * scale, transform: `translate(${x}px, ${y}px)` }}
      >
        {draw()}
      </div>
    </div>
  );
}
