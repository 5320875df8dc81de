import '../../schema/index.ts';
import { string, type InferType, type ObjectSchema } from 'yup';
import type { Immutable } from '../../schema/index.ts';
import type { Design } from '../design.ts';

/** Thrown when a command does not fit the design; nothing is changed then. The message is a phrase. */
export class CommandError extends Error {}

/** All there is to say about one kind of command; the command itself is plain data that fits the schema. */
export interface CommandKind<S extends ObjectSchema<object>, Inverse = Immutable<InferType<S>>> {
  readonly schema: S;
  /** The design after the command; unchanged parts are shared. @throws CommandError */
  apply(design: Design, command: Immutable<InferType<S>>): Design;
  /** The command that leads from `apply(design, command)` back to `design`. @throws CommandError */
  invert(design: Design, command: Immutable<InferType<S>>): Inverse;
  /** Names for all that the command changes; two that share none can be done in either order. */
  writes(command: Immutable<InferType<S>>): string[];
  /** What the command did, as a phrase for those who did not do it. */
  describe(command: Immutable<InferType<S>>): string;
}

/** The plain data of a kind of command. */
export type CommandOf<K> = K extends { readonly schema: infer S extends ObjectSchema<object> }
  ? Immutable<InferType<S>>
  : never;

/** The field that says which kind a command is. */
export const typeField = <T extends string>(type: T) => string().oneOf([type]).required();

/** `a motif`, `3 motifs`. */
export function countMotifs(count: number): string {
  return count === 1 ? 'a motif' : `${count} motifs`;
}
