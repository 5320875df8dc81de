import { nanoid } from 'nanoid';
import type { Hex } from '../../../../core/colour/index.ts';
import { type Design, type Ink, nameInk } from '../../../../core/document/index.ts';

/** The id and the name of a new ink, which is called by its colour. */
export function freeInk(design: Design, colour: Hex): Pick<Ink, 'id' | 'name'> {
  return { id: `ink-${nanoid(8)}`, name: nameInk(colour, new Set(design.inks.map(({ name }) => name))) };
}
