import type { Hex } from '../colour/hex.ts';
import { applyOpToPoint, applyOpToPose } from '../lattice/symmetry.ts';
import { toFundamentalDomain, latticeOf, type Lattice } from '../lattice/lattice.ts';
import type { Repeat } from '../lattice/repeat.ts';
import type { Step } from '../lattice/step.ts';
import type { Design, Ink, Layout, Toss } from './design.ts';
import type { Guide } from './guide.ts';
import { sortByLayer, type Layer } from './layer.ts';
import type { Placement, PlacementChange } from './placement.ts';

/** A placement and where in the stack it goes, within its layer; 0 is the bottom of all. */
export interface InsertedPlacement {
  readonly index: number;
  readonly placement: Placement;
}

/** An edit as plain data: small enough to send, and its undoing is a command too. */
export type Command =
  | { readonly type: 'insert'; readonly placements: readonly InsertedPlacement[] }
  | { readonly type: 'remove'; readonly ids: readonly string[] }
  | { readonly type: 'change'; readonly changes: Readonly<Record<string, PlacementChange>> }
  | { readonly type: 'repeat'; readonly repeat: Repeat }
  | { readonly type: 'layers'; readonly layers: readonly Layer[] }
  | { readonly type: 'guides'; readonly guides: readonly Guide[] }
  | { readonly type: 'toss'; readonly toss: Toss | null }
  | { readonly type: 'layout'; readonly layout: Layout | null }
  | { readonly type: 'ground'; readonly ground: string | null }
  | { readonly type: 'add-inks'; readonly inks: readonly Ink[]; readonly colours: Readonly<Record<string, Hex>> }
  | { readonly type: 'remove-inks'; readonly ids: readonly string[] }
  | { readonly type: 'colour'; readonly colourway: string; readonly ink: string; readonly colour: Hex }
  | { readonly type: 'name'; readonly name: string }
  | { readonly type: 'all'; readonly commands: readonly Command[] };

/** Thrown when a command does not fit the design; nothing is changed then. */
export class CommandError extends Error {}

/** The design after the command; unchanged parts are shared. @throws CommandError */
export function apply(design: Design, command: Command): Design {
  switch (command.type) {
    case 'insert':
      return { ...design, placements: insert(design, command.placements) };
    case 'remove': {
      const gone = new Set(command.ids);
      for (const id of gone) find(design, id);
      return { ...design, placements: design.placements.filter(({ id }) => !gone.has(id)) };
    }
    case 'change': {
      for (const id of Object.keys(command.changes)) find(design, id);
      const lattice = latticeOf(design.repeat);
      return {
        ...design,
        placements: design.placements.map((placement) => {
          const change = Object.hasOwn(command.changes, placement.id) ? command.changes[placement.id] : undefined;
          if (!change) return placement;
          const changed = { ...placement, ...change };
          return { ...changed, ...toFundamentalDomain(lattice, { x: changed.x, y: changed.y }) };
        }),
      };
    }
    case 'repeat': {
      const lattice = latticeOf(command.repeat);
      // Cells that are reflected no longer leave their motifs to the cell that they reflected.
      const home = sameStep(design.repeat.step, command.repeat.step) ? undefined : latticeOf(design.repeat);
      const placements = design.placements.map((placement) => {
        const own = home ? inOwnCell(home, placement) : placement;
        const at = toFundamentalDomain(lattice, { x: own.x, y: own.y });
        return at.x === own.x && at.y === own.y ? own : { ...own, ...at };
      });
      return { ...design, repeat: command.repeat, placements };
    }
    case 'layers': {
      const { layers } = command;
      if (layers.length === 0) throw new CommandError('a design needs a layer');
      const kept = new Set(layers.map(({ id }) => id));
      if (kept.size < layers.length) throw new CommandError('two layers share an id');
      const lost = design.placements.find(({ layer }) => !kept.has(layer));
      if (lost) throw new CommandError(`the motif ${lost.id} lies in the layer ${lost.layer}`);
      return { ...design, layers, placements: sortByLayer(layers, design.placements) };
    }
    case 'guides':
      return { ...design, guides: command.guides };
    case 'toss':
      return { ...design, toss: command.toss };
    case 'layout':
      return { ...design, layout: command.layout };
    case 'ground':
      if (command.ground !== null) requireInk(design, command.ground);
      return { ...design, ground: command.ground };
    case 'add-inks': {
      const known = new Set(design.inks.map(({ id }) => id));
      for (const { id } of command.inks) {
        if (known.has(id)) throw new CommandError(`there is an ink ${id} already`);
        if (!command.colours[id]) throw new CommandError(`the new ink ${id} has no colour`);
      }
      return {
        ...design,
        inks: [...design.inks, ...command.inks],
        colourways: design.colourways.map((colourway) => ({
          ...colourway,
          colours: { ...colourway.colours, ...command.colours },
        })),
      };
    }
    case 'remove-inks': {
      const gone = new Set(command.ids);
      for (const id of gone) requireInk(design, id);
      if (design.ground !== null && gone.has(design.ground))
        throw new CommandError('the ground is printed in this ink');
      return {
        ...design,
        inks: design.inks.filter(({ id }) => !gone.has(id)),
        colourways: design.colourways.map((colourway) => ({
          ...colourway,
          colours: Object.fromEntries(Object.entries(colourway.colours).filter(([id]) => !gone.has(id))),
        })),
      };
    }
    case 'colour': {
      requireInk(design, command.ink);
      if (!design.colourways.some(({ id }) => id === command.colourway))
        throw new CommandError(`there is no colourway ${command.colourway}`);
      return {
        ...design,
        colourways: design.colourways.map((colourway) =>
          colourway.id === command.colourway
            ? { ...colourway, colours: { ...colourway.colours, [command.ink]: command.colour } }
            : colourway,
        ),
      };
    }
    case 'name':
      return { ...design, name: command.name };
    case 'all':
      return command.commands.reduce(apply, design);
  }
}

/** The command that leads from `apply(design, command)` back to `design`. @throws CommandError */
export function inverse(design: Design, command: Command): Command {
  switch (command.type) {
    case 'insert':
      return { type: 'remove', ids: command.placements.map(({ placement }) => placement.id) };
    case 'remove': {
      const gone = new Set(command.ids);
      const placements = design.placements.flatMap((placement, index) =>
        gone.has(placement.id) ? [{ index, placement }] : [],
      );
      return { type: 'insert', placements };
    }
    case 'change': {
      const changes = Object.entries(command.changes).map(([id, change]) => {
        const before = find(design, id);
        // A new place may have been brought into the cell, so the old one is named whenever either part changes.
        const keys = new Set(Object.keys(change) as (keyof PlacementChange)[]);
        if (keys.has('x') || keys.has('y')) keys.add('x').add('y');
        return [id, Object.fromEntries([...keys].map((key) => [key, before[key]]))] as const;
      });
      return { type: 'change', changes: Object.fromEntries(changes) };
    }
    case 'repeat': {
      const after = apply(design, command).placements;
      const moved = design.placements.filter((placement, index) => placement !== after[index]);
      const back: Command = { type: 'repeat', repeat: design.repeat };
      if (moved.length === 0) return back;
      const changes = Object.fromEntries(
        moved.map(({ id, x, y, rotation, skew, flipped }) => [id, { x, y, rotation, skew, flipped }]),
      );
      return { type: 'all', commands: [back, { type: 'change', changes }] };
    }
    case 'layers':
      return { type: 'layers', layers: design.layers };
    case 'guides':
      return { type: 'guides', guides: design.guides };
    case 'toss':
      return { type: 'toss', toss: design.toss };
    case 'layout':
      return { type: 'layout', layout: design.layout };
    case 'ground':
      return { type: 'ground', ground: design.ground };
    case 'add-inks':
      return { type: 'remove-inks', ids: command.inks.map(({ id }) => id) };
    case 'remove-inks':
      throw new CommandError('removing inks is only ever an undoing');
    case 'colour': {
      const colour = design.colourways.find(({ id }) => id === command.colourway)?.colours[command.ink];
      if (!colour) throw new CommandError(`there is no ink ${command.ink} in the colourway ${command.colourway}`);
      return { ...command, colour };
    }
    case 'name':
      return { type: 'name', name: design.name };
    case 'all': {
      let before = design;
      const back: Command[] = [];
      for (const one of command.commands) {
        back.unshift(inverse(before, one));
        before = apply(before, one);
      }
      return { type: 'all', commands: back };
    }
  }
}

function insert(design: Design, placements: readonly InsertedPlacement[]): readonly Placement[] {
  const lattice = latticeOf(design.repeat);
  const ids = new Set(design.placements.map(({ id }) => id));
  const stack = [...design.placements];
  for (const { index, placement } of [...placements].sort((a, b) => a.index - b.index)) {
    if (ids.has(placement.id)) throw new CommandError(`there is a motif ${placement.id} on the cloth already`);
    if (index > stack.length) throw new CommandError(`the stack has no place ${index}`);
    requireLayer(design, placement.layer);
    ids.add(placement.id);
    stack.splice(index, 0, { ...placement, ...toFundamentalDomain(lattice, { x: placement.x, y: placement.y }) });
  }
  // An index that leads out of the layer's part of the stack leads to the end of that part.
  return sortByLayer(design.layers, stack);
}

function sameStep(a: Step, b: Step): boolean {
  return a.kind === b.kind && a.mirrored === b.mirrored;
}

/** That one of a placement's reflections whose place lies in the cell itself; the placement where it does. */
function inOwnCell(lattice: Lattice, placement: Placement): Placement {
  for (const image of lattice.ops) {
    const at = toFundamentalDomain(lattice, applyOpToPoint(image, placement));
    if (at.x < lattice.ownWidth && at.y < lattice.ownHeight)
      return image === lattice.ops[0] ? placement : { ...applyOpToPose(image, placement), ...at };
  }
  return placement;
}

function find(design: Design, id: string): Placement {
  const found = design.placements.find((placement) => placement.id === id);
  if (!found) throw new CommandError(`there is no motif ${id} on the cloth`);
  return found;
}

function requireLayer(design: Design, layer: string): void {
  if (!design.layers.some(({ id }) => id === layer)) throw new CommandError(`there is no layer ${layer}`);
}

function requireInk(design: Design, ink: string): void {
  if (!design.inks.some(({ id }) => id === ink)) throw new CommandError(`there is no ink ${ink}`);
}
