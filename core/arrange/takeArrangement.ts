import { colourwayOf, type Command, type Design } from '../document/index.ts';

/**
 * The command that makes a design's arrangement that of another version of it: its repeat, layers, guides, toss, layout and motifs,
 * and the inks that it lacks. Colours, ground and name stay as they are.
 */
export function takeArrangement(design: Design, other: Design): Command {
  const known = new Set(design.inks.map(({ id }) => id));
  const inks = other.inks.filter(({ id }) => !known.has(id));
  const colours = colourwayOf(other).colours;
  const commands: Command[] = [];
  if (inks.length > 0)
    commands.push({
      type: 'add-inks',
      inks,
      colours: Object.fromEntries(inks.map(({ id }) => [id, colours[id] ?? '#000000'])),
    });
  if (design.placements.length > 0) commands.push({ type: 'remove', ids: design.placements.map(({ id }) => id) });
  commands.push(
    { type: 'layers', layers: other.layers },
    { type: 'guides', guides: other.guides },
    { type: 'toss', toss: other.toss },
    { type: 'layout', layout: other.layout },
    { type: 'repeat', repeat: other.repeat },
  );
  if (other.placements.length > 0)
    commands.push({ type: 'insert', placements: other.placements.map((placement, index) => ({ index, placement })) });
  return { type: 'all', commands };
}
