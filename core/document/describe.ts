import type { Command } from './command.ts';
import type { PlacementChange } from './placement.ts';

/** What commands did, in a few words for those who did not do it: “moved 2 motifs, changed a colour”. */
export function describe(commands: readonly Command[]): string {
  return [...new Set(commands.flatMap(phrases))].join(', ');
}

function phrases(command: Command): string[] {
  switch (command.type) {
    case 'insert':
      return [`laid ${motifs(command.placements.length)}`];
    case 'remove':
      return [`took ${motifs(command.ids.length)} away`];
    case 'change': {
      const changes = Object.values(command.changes);
      return [`${verb(changes)} ${motifs(changes.length)}`];
    }
    case 'repeat':
      return ['changed the repeat'];
    case 'layers':
      return ['changed the layers'];
    case 'guides':
      return ['changed the guides'];
    case 'toss':
      return [command.toss ? 'tossed' : 'took the toss away'];
    case 'layout':
      return [command.layout ? 'laid it out' : 'took the layout away'];
    case 'ground':
      return ['changed the ground'];
    case 'add-inks':
    case 'remove-inks':
      return ['changed the inks'];
    case 'colour':
      return ['changed a colour'];
    case 'name':
      return [`named it “${command.name}”`];
    case 'all': {
      const [first, second] = command.commands;
      // Taken out of the stack and laid into it elsewhere.
      if (
        command.commands.length === 2 &&
        first?.type === 'remove' &&
        second?.type === 'insert' &&
        second.placements.every(({ placement }) => first.ids.includes(placement.id))
      ) {
        return [`moved ${motifs(first.ids.length)} in the stack`];
      }
      return command.commands.flatMap(phrases);
    }
  }
}

function verb(changes: readonly PlacementChange[]): string {
  const keys = new Set(changes.flatMap((change) => Object.keys(change)));
  if (keys.has('motif')) return 'replaced';
  if (keys.has('scale') || keys.has('aspect')) return 'resized';
  if (keys.has('rotation')) return 'turned';
  return keys.has('x') || keys.has('y') ? 'moved' : 'changed';
}

function motifs(count: number): string {
  return count === 1 ? 'a motif' : `${count} motifs`;
}
