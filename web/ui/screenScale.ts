import { Cell, useStore } from './store.ts';

/** A CSS pixel is a 96th of an inch, as browsers count: what a screen is taken for until it is measured. */
const NOMINAL = 96 / 25.4;
/** A bank card, mm (ISO/IEC 7810, ID-1). */
export const CARD = { width: 85.6, height: 53.98 } as const;
/** CSS pixels per millimetre that any screen may have. */
export const [LEAST_PX_PER_MM, MOST_PX_PER_MM] = [1.5, 15] as const;

/** CSS pixels per millimetre of this screen, and whether they were measured. */
export interface ScreenScale {
  readonly pxPerMm: number;
  readonly measured: boolean;
}

/** One for each kind of screen: a window that is moved to another asks anew once it is loaded there. */
function keyOfScreen(): string {
  return `hevrel-screen ${window.screen.width}x${window.screen.height}@${Math.round(window.devicePixelRatio * 100)}`;
}

function read(): ScreenScale {
  const kept = Number(localStorage.getItem(keyOfScreen()));
  const measured = kept >= LEAST_PX_PER_MM && kept <= MOST_PX_PER_MM;
  return { pxPerMm: measured ? kept : NOMINAL, measured };
}

let cell: Cell<ScreenScale> | undefined;

// Read when it is first asked for, since there is no screen before.
function scaleCell(): Cell<ScreenScale> {
  cell ??= new Cell(read());
  return cell;
}

/** Keeps how many CSS pixels a millimetre of this screen has. */
export function keepScreenScale(pxPerMm: number): void {
  localStorage.setItem(keyOfScreen(), String(pxPerMm));
  scaleCell().set(read());
}

export function useScreenScale(): ScreenScale {
  return useStore(scaleCell());
}
