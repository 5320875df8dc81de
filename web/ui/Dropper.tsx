import { useEffect, useRef, useState } from 'react';
import { createPortal } from 'react-dom';
import type { Hex } from '../../core/colour/index.ts';
import { colourAt } from './colourAt.ts';
import { TEXTS } from './texts.ts';

interface Props {
  readonly onTake: (colour: Hex) => void;
  readonly onClose: () => void;
}

interface Seen {
  readonly x: number;
  readonly y: number;
  readonly colour: Hex | undefined;
}

/** Takes a colour from what the window shows: the cloth, a motif in the tray, an opened photograph. Escape leaves it. */
export function Dropper({ onTake, onClose }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const [seen, setSeen] = useState<Seen>();
  useEffect(() => place.current?.focus(), []);
  return createPortal(
    <div
      ref={place}
      role="dialog"
      aria-label={TEXTS.dropper}
      tabIndex={-1}
      className="fixed inset-0 z-50 cursor-crosshair touch-none outline-none"
      onPointerMove={({ clientX: x, clientY: y }) => setSeen({ x, y, colour: colourAt(x, y) })}
      onPointerDown={(event) => {
        event.preventDefault();
        const colour = colourAt(event.clientX, event.clientY);
        // Beside every picture there is nothing to take; the dropper stays.
        if (colour === undefined) return;
        onTake(colour);
        onClose();
      }}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape') onClose();
      }}
    >
      <p className="pointer-events-none fixed top-3 left-1/2 -translate-x-1/2 rounded-md bg-ink px-3 py-1.5 text-sm text-white">
        {TEXTS.dropperHint}
      </p>
      {seen?.colour && (
        <span
          className="pointer-events-none fixed flex items-center gap-1.5 rounded-md border border-thread bg-white p-1 pr-2 text-xs shadow-sm"
          style={{
            left: Math.min(seen.x + 14, window.innerWidth - 110),
            top: Math.min(seen.y + 14, window.innerHeight - 44),
          }}
        >
          <span className="h-6 w-6 rounded-sm border border-ink/20" style={{ background: seen.colour }} />
          {seen.colour.toUpperCase()}
        </span>
      )}
    </div>,
    document.body,
  );
}
