import { describe, expect, it } from 'vitest';
import { apply, type Command, conflicts } from './command.ts';
import { type Design, newDesign } from './design.ts';
import { SQUARE } from '../lattice/index.ts';

const blank = newDesign('d', 'Kelp', { width: 60, height: 40, step: SQUARE });
const design: Design = {
  ...blank,
  inks: [...blank.inks, { id: 'red', name: 'Red', prints: ['#aa0000'] }],
  colourways: [{ id: 'base', name: 'Base', colours: { ground: '#ffffff', red: '#b3402e' } }],
};
const refused =
  (command: Command): (() => Design) =>
  () =>
    apply(design, command);

describe('commands on inks and colourways', () => {
  it('refuse what the design does not have, and what would leave it without a colourway or a ground', () => {
    expect(refused({ type: 'change-inks', changes: { blue: { name: 'Blue' } } })).toThrow(/no ink blue/);
    expect(refused({ type: 'remove-inks', ids: ['ground'] })).toThrow(/the ground is printed/);
    expect(refused({ type: 'remove-colourways', ids: ['base'] })).toThrow(/needs a colourway/);
    expect(refused({ type: 'remove-colourways', ids: ['dusk'] })).toThrow(/not there/);
    expect(refused({ type: 'change-colourway', colourway: 'dusk', colours: {} })).toThrow(/no colourway dusk/);
    const base = { id: 'base', name: 'Again', colours: {} };
    expect(refused({ type: 'insert-colourways', colourways: [{ index: 0, colourway: base }] })).toThrow(/already/);
  });

  it('refuse that two inks print one colour of the artwork', () => {
    expect(refused({ type: 'change-inks', changes: { ground: { prints: ['#aa0000'] } } })).toThrow(/same colour/);
    const ink = { id: 'rust', name: 'Rust', prints: ['#aa0000' as const] };
    expect(refused({ type: 'insert-inks', inks: [{ index: 0, ink, colours: {} }] })).toThrow(/same colour/);
    // In one motif alone another ink may print it, but only one.
    const only = [{ motif: 'leaf', colour: '#aa0000' as const }];
    const split = apply(design, {
      type: 'insert-inks',
      inks: [{ index: 0, ink: { id: 'rust', name: 'Rust', prints: [], only }, colours: {} }],
    });
    expect(() => apply(split, { type: 'change-inks', changes: { red: { only } } })).toThrow(/same colour/);
  });

  it('of two windows go together where they change different inks, and conflict where they change one', () => {
    const rename = (id: string): Command => ({ type: 'change-inks', changes: { [id]: { name: 'Other' } } });
    const colour: Command = { type: 'colour', colourway: 'base', ink: 'red', colour: '#102030' };
    expect(conflicts([rename('ground')], [colour], true)).toBe(false);
    expect(conflicts([rename('red')], [colour], true)).toBe(true);
  });

  it('keep things that came in meanwhile behind those that were put in order', () => {
    const ordered = apply(design, { type: 'order-inks', ids: ['red'] });
    expect(ordered.inks.map(({ id }) => id)).toEqual(['red', 'ground']);
  });
});
