import { keep, read } from './browserKeep.ts';
import { Cell } from './store.ts';

/** A value that this browser keeps: it is the same in whatever is opened next. Where there is no room, it lasts as long as the page. */
export function keptCell<T>(key: string, initial: T, readAs: (value: unknown) => T): Cell<T> {
  const cell = new Cell(read(key, readAs) ?? initial);
  cell.subscribe(() => keep(key, cell.getState()));
  return cell;
}
