import type { Command } from '../../../core/document/command.ts';
import type { Steps } from '../../../core/repeat/lattice.ts';
import { LARGEST_CELL_MM, SMALLEST_CELL_MM, type Repeat } from '../../../core/repeat/repeat.ts';
import { formatNumber } from '../../../core/units/length.ts';
import type { ClothHands } from '../clothHands.ts';
import { toMm } from '../viewport.ts';
import { roundTo, type Drag } from './drag.ts';

/** Drags an edge of the cell `steps`: its right edge changes the width, its lower edge the height. */
export function edgeDrag({ bench, view, note, local }: ClothHands, event: PointerEvent, edge: 'right' | 'bottom', steps: Steps): Drag {
  // Seen from its own origin, the cell's edge is where the pointer is.
  view.bringHome(steps);
  const { repeat } = bench.design;
  const home = view.getViewport();
  const from = toMm(home, local(event));
  let command: Command | undefined;
  return {
    move(moved) {
      const to = toMm(home, local(moved));
      const next: Repeat =
        edge === 'right' ? { ...repeat, width: within(roundTo(repeat.width + to.x - from.x)) } : { ...repeat, height: within(roundTo(repeat.height + to.y - from.y)) };
      command = { type: 'repeat', repeat: next };
      bench.session.preview(command);
      note.set({ at: local(moved), text: edge === 'right' ? `${formatNumber(next.width)} mm wide` : `${formatNumber(next.height)} mm high` });
    },
    end() {
      if (command) bench.commit('Resized the cell', command);
    },
    cancel: () => bench.session.preview(undefined),
  };
}

function within(mm: number): number {
  return Math.min(LARGEST_CELL_MM, Math.max(SMALLEST_CELL_MM, mm));
}
