import '../../../../core/schema/index.ts';
import { array } from 'yup';
import { type Hex, hexSchema } from '../../../../core/colour/index.ts';
import { Cell } from '../../../ui/store.ts';

const KEY = 'hevrel-recent-colours';
const MOST = 10;

const kept = array(hexSchema).required().max(MOST);

function read(): readonly Hex[] {
  try {
    const text = localStorage.getItem(KEY);
    return text === null ? [] : kept.validateSync(JSON.parse(text));
  } catch {
    // A browser that keeps nothing, or something that another version kept: one begins anew.
    return [];
  }
}

/** Colours that were given to inks of any design in this browser, the latest first. */
export const recentColours = new Cell<readonly Hex[]>(read());

/** Adds a colour that an ink was given. */
export function rememberColour(colour: Hex): void {
  const colours = [colour, ...recentColours.getState().filter((one) => one !== colour)].slice(0, MOST);
  recentColours.set(colours);
  try {
    localStorage.setItem(KEY, JSON.stringify(colours));
  } catch {
    // Remembered as long as the page is open.
  }
}
