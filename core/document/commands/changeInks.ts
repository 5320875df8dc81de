import { boolean, object } from 'yup';
import { recordOf } from '../../schema/index.ts';
import { type Ink, inkSchema } from '../ink.ts';
import { printsOf } from '../printerOf.ts';
import { CommandError, type CommandKind, typeField } from './commandKind.ts';

/** What can change about an ink; what is not named stays. */
const changeSchema = inkSchema.omit(['id', 'locked']).partial().shape({ locked: boolean().optional() }).noUnknown();
type InkChange = Partial<Omit<Ink, 'id' | 'locked'>> & { readonly locked?: boolean };

const schema = object({ type: typeField('change-inks'), changes: recordOf(changeSchema) })
  .noUnknown()
  .required();

/** Renames inks, locks them, or has them print other colours of the artwork. */
export const changeInks: CommandKind<typeof schema> = {
  schema,
  apply(design, command) {
    const changes: Readonly<Record<string, InkChange>> = command.changes;
    const known = new Set(design.inks.map(({ id }) => id));
    const unknown = Object.keys(changes).find((id) => !known.has(id));
    if (unknown !== undefined) throw new CommandError(`there is no ink ${unknown}`);
    const inks = design.inks.map((ink) => changed(ink, changes[ink.id]));
    const printed = inks.flatMap(printsOf);
    if (new Set(printed).size !== printed.length) throw new CommandError('two inks print the same colour');
    return { ...design, inks };
  },
  invert(design, { changes }) {
    const before = design.inks.flatMap((ink): [string, InkChange][] => {
      const change = changes[ink.id] as InkChange | undefined;
      if (!change) return [];
      const fields = Object.keys(change) as (keyof InkChange)[];
      return [
        [ink.id, Object.fromEntries(fields.map((field) => [field, ink[field] ?? (field === 'only' ? [] : false)]))],
      ];
    });
    return { type: 'change-inks', changes: Object.fromEntries(before) };
  },
  writes: ({ changes }) => Object.keys(changes).map((id) => `ink ${id}`),
  describe: () => 'changed the inks',
};

/** An ink is locked, or prints something in one motif alone, or says nothing of it. */
function changed(ink: Ink, change: InkChange | undefined): Ink {
  if (!change) return ink;
  const { locked = ink.locked, only = ink.only, ...rest } = change;
  const { locked: _locked, only: _only, ...fields } = ink;
  return { ...fields, ...rest, ...(only && only.length > 0 && { only }), ...(locked && { locked }) };
}
