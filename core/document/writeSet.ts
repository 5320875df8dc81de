import type { Command } from './command.ts';

/** Names for all that a command changes; two that share none can be done in either order. */
export function writeSet(command: Command): string[] {
  switch (command.type) {
    case 'insert':
      return ['stack', ...command.placements.map(({ placement }) => `motif ${placement.id}`)];
    case 'remove':
      return ['stack', ...command.ids.map((id) => `motif ${id}`)];
    case 'change':
      return Object.keys(command.changes).map((id) => `motif ${id}`);
    case 'add-inks':
      return command.inks.map(({ id }) => `ink ${id}`);
    case 'remove-inks':
      return command.ids.map((id) => `ink ${id}`);
    case 'colour':
      return [`ink ${command.ink}`];
    case 'all':
      return command.commands.flatMap(writeSet);
    case 'repeat':
    case 'layers':
    case 'guides':
    case 'toss':
    case 'layout':
    case 'ground':
    case 'name':
      return [command.type];
  }
}

/** Whether commands change anything in common; the order of the stack alone is not looked at where `stack` is false. */
export function conflicts(a: readonly Command[], b: readonly Command[], stack: boolean): boolean {
  const all = new Set(a.flatMap(writeSet));
  if (!stack) all.delete('stack');
  return b.flatMap(writeSet).some((name) => all.has(name));
}
