import { array, lazy, mixed, object, string, type ISchema, type Lazy, type Schema } from 'yup';
import { checkLimits } from './checkLimits.ts';
import { type CommandKind, type CommandOf, countMotifs } from './commands/commandKind.ts';
import { COMMAND_KINDS } from './commands/index.ts';
import type { Design } from './design.ts';
import { DEEPEST_COMMAND, MOST_COMMANDS } from './limits.ts';

type Kinds = typeof COMMAND_KINDS;
type SimpleCommand = { [T in keyof Kinds]: CommandOf<Kinds[T]> }[keyof Kinds];

/** Several commands as one. */
export interface CompositeCommand {
  readonly type: 'all';
  readonly commands: readonly Command[];
}

/** An edit as plain data: small enough to send, and its inverse is a command too. */
export type Command = SimpleCommand | CompositeCommand;

/** Placements and where in the stacking order they go. */
export type InsertedPlacement = CommandOf<Kinds['insert']>['placements'][number];

/** The kind of a command; that the two fit each other is what the registry's keys say. */
function kindOf(command: SimpleCommand): CommandKind<Schema & never, Command> {
  return COMMAND_KINDS[command.type] as unknown as CommandKind<Schema & never, Command>;
}

/** The design after the command; unchanged parts are shared. @throws CommandError, also where the result is more than a design can hold */
export function apply(design: Design, command: Command): Design {
  const after = applied(design, command);
  checkLimits(design, after);
  return after;
}

function applied(design: Design, command: Command): Design {
  return command.type === 'all'
    ? command.commands.reduce(applied, design)
    : kindOf(command).apply(design, command as never);
}

/** The command that leads from `apply(design, command)` back to `design`. @throws CommandError */
export function inverse(design: Design, command: Command): Command {
  if (command.type !== 'all') return kindOf(command).invert(design, command as never);
  let before = design;
  const commands: Command[] = [];
  for (const part of command.commands) {
    commands.unshift(inverse(before, part));
    before = applied(before, part);
  }
  return { type: 'all', commands };
}

/** Names for all that a command changes; two that share none can be done in either order. */
export function writeSet(command: Command): string[] {
  return command.type === 'all' ? command.commands.flatMap(writeSet) : kindOf(command).writes(command as never);
}

/** Whether commands change anything in common; the stacking order alone is not looked at where `stack` is false. */
export function conflicts(a: readonly Command[], b: readonly Command[], stack: boolean): boolean {
  const written = new Set(a.flatMap(writeSet));
  if (!stack) written.delete('stack');
  return b.flatMap(writeSet).some((name) => written.has(name));
}

/** What commands did, in a few words for those who did not do it: “moved 2 motifs, changed a colour”. */
export function describe(commands: readonly Command[]): string {
  return [...new Set(commands.flatMap(phrases))].join(', ');
}

function phrases(command: Command): string[] {
  if (command.type !== 'all') return [kindOf(command).describe(command as never)];
  const [first, second] = command.commands;
  // Taken out of the stacking order and laid into it elsewhere.
  if (
    command.commands.length === 2 &&
    first?.type === 'remove' &&
    second?.type === 'insert' &&
    second.placements.every(({ placement }) => first.ids.includes(placement.id))
  ) {
    return [`reordered ${countMotifs(first.ids.length)}`];
  }
  return command.commands.flatMap(phrases);
}

const unknownCommand = mixed()
  .required()
  .test('known', '${path} is no command that is known', () => false);
const tooDeep = mixed()
  .required()
  .test('depth', 'commands lie in commands too deep', () => false);

/** Commands that are one. */
function compositeOf(command: Lazy<Command>) {
  return object({ type: string().oneOf(['all']).required(), commands: array(command).required().max(MOST_COMMANDS) })
    .noUnknown()
    .required();
}

/** The schema of a command that lies `depth` deep in others. */
function schemaAt(depth: number): (value: unknown) => ISchema<unknown> {
  if (depth > DEEPEST_COMMAND) return () => tooDeep;
  const composite = compositeOf(lazy(schemaAt(depth + 1) as () => Schema<Command>));
  return (value) => {
    const type: unknown = typeof value === 'object' && value !== null ? Reflect.get(value, 'type') : undefined;
    if (type === 'all') return composite;
    return typeof type === 'string' && Object.hasOwn(COMMAND_KINDS, type)
      ? COMMAND_KINDS[type as keyof Kinds].schema
      : unknownCommand;
  };
}

/** A command of any kind. */
export const commandSchema: Lazy<Command> = lazy(schemaAt(0) as () => Schema<Command>).meta({
  name: 'command',
  anyOf: () => [...Object.values(COMMAND_KINDS).map(({ schema }) => schema), compositeOf(commandSchema)],
});

/** The commands of one save. */
export const commandsSchema = array(commandSchema)
  .required()
  .min(1)
  .max(10 * MOST_COMMANDS);
