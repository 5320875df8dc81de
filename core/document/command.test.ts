import { anyDesign, leafAt } from '../testing/arbitraries.ts';
import { apply, type Command, commandsSchema, inverse } from './command.ts';
import { CommandError } from './commands/commandKind.ts';
import { newDesign } from './design.ts';
import { newLayer } from './layer.ts';
import { MOST_PLACEMENTS } from './limits.ts';
import { openDesign } from './openDesign.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitting } from '../testing/commandFixtures.ts';

const canonicalDesign = anyDesign().map((design) => apply(design, { type: 'repeat', repeat: design.repeat }));

describe('commands', () => {
  it('are undone by their inverse, to the bit, in any sequence', () => {
    fc.assert(
      fc.property(canonicalDesign, fc.gen(), fc.integer({ min: 1, max: 8 }), (start, gen, count) => {
        let design = start;
        const undo: Command[] = [];
        for (let n = 0; n < count; n += 1) {
          const command = gen(fitting, design);
          undo.unshift(inverse(design, command));
          design = apply(design, command);
        }
        expect(undo.reduce(apply, design)).toEqual(start);
      }),
      { numRuns: 300 },
    );
  });

  it('survive being sent as JSON and pass the schema', () => {
    fc.assert(
      fc.property(canonicalDesign, fc.gen(), (design, gen) => {
        const command = gen(fitting, design);
        for (const one of [command, ...(command.type === 'all' ? [] : [inverse(design, command)])]) {
          const sent = JSON.parse(JSON.stringify([one])) as unknown;
          expect(commandsSchema.validateSync(sent, { strict: true })).toEqual([one]);
        }
        expect(openDesign(JSON.parse(JSON.stringify(apply(design, command))))).toEqual(apply(design, command));
      }),
      { numRuns: 200 },
    );
  });

  it('that the schema accepts give a design that the schema accepts, in any sequence', () => {
    fc.assert(
      fc.property(canonicalDesign, fc.gen(), fc.integer({ min: 1, max: 12 }), (start, gen, count) => {
        let design = start;
        for (let n = 0; n < count; n += 1) {
          const command = gen(fitting, design);
          commandsSchema.validateSync([command], { strict: true });
          design = apply(design, command);
        }
        expect(openDesign(JSON.parse(JSON.stringify(design)))).toEqual(design);
      }),
      { numRuns: 200 },
    );
  });

  it('never make a design hold more than it can, however few each of them adds', () => {
    const start = newDesign('d', 'Full', { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    const placements = Array.from({ length: MOST_PLACEMENTS }, (_, n) => leafAt(`p${n}`, {}));
    const full = apply(start, {
      type: 'insert',
      placements: placements.map((placement, index) => ({ index, placement })),
    });
    expect(() => apply(full, { type: 'insert', placements: [{ index: 0, placement: leafAt('more', {}) }] })).toThrow(
      /at most 20000 motifs/,
    );
    const inks = (from: number, count: number): Command => {
      const list = Array.from({ length: count }, (_, n) => ({ id: `i${from + n}`, name: 'Ink', prints: [] }));
      return { type: 'add-inks', inks: list, colours: Object.fromEntries(list.map(({ id }) => [id, '#000000'])) };
    };
    const many = apply(start, inks(0, 600));
    expect(() => apply(many, inks(600, 600))).toThrow(/at most 1000 inks/);
    expect(() => apply(many, { type: 'all', commands: [inks(600, 300), inks(900, 300)] })).toThrow(CommandError);
    expect(() =>
      apply(start, {
        type: 'add-inks',
        inks: [
          { id: 'twice', name: 'A', prints: [] },
          { id: 'twice', name: 'B', prints: [] },
        ],
        colours: { twice: '#000000' },
      }),
    ).toThrow(CommandError);
    // One that is over a limit already can still be brought under it.
    const over = { ...full, placements: [...full.placements, leafAt('over', {})] };
    expect(apply(over, { type: 'remove', ids: ['over'] }).placements).toHaveLength(MOST_PLACEMENTS);
  });

  it('lie in each other only so deep', () => {
    const nested = (depth: number): unknown =>
      depth === 0 ? { type: 'name', name: 'Kelp' } : { type: 'all', commands: [nested(depth - 1)] };
    expect(commandsSchema.isValidSync([nested(8)], { strict: true })).toBe(true);
    expect(commandsSchema.isValidSync([nested(9)], { strict: true })).toBe(false);
    expect(commandsSchema.isValidSync([nested(500)], { strict: true })).toBe(false);
  });

  it('cost what they change: one of twenty thousand is looked up, not searched for', () => {
    const count = MOST_PLACEMENTS;
    const start = newDesign('d', 'Many', { width: 1000, height: 1000, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    const many = apply(start, {
      type: 'insert',
      placements: Array.from({ length: count }, (_, index) => ({ index, placement: leafAt(`p${index}`, { x: 1 }) })),
    });
    const all: Command = {
      type: 'change',
      changes: Object.fromEntries(many.placements.map(({ id }) => [id, { x: 2 }])),
    };
    // Quadratic, this is 4·10⁸ comparisons and takes many seconds.
    const began = performance.now();
    const moved = apply(many, all);
    expect(performance.now() - began).toBeLessThan(2000);
    expect(moved.placements.every(({ x }) => x === 2)).toBe(true);
    const one = apply(moved, { type: 'change', changes: { p7: { x: 3 } } });
    expect(one.placements.filter((placement, n) => placement !== moved.placements[n])).toHaveLength(1);
  });

  it('change nothing when they do not fit', () => {
    const design = newDesign('d', 'Empty', { width: 100, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } });
    const misfits: Command[] = [
      { type: 'remove', ids: ['gone'] },
      { type: 'change', changes: { gone: { x: 1 } } },
      { type: 'ground', ground: { kind: 'flat', ink: 'gone' } },
      { type: 'colour', colourway: 'base', ink: 'gone', colour: '#000000' },
      { type: 'colour', colourway: 'gone', ink: 'ground', colour: '#000000' },
      { type: 'insert', placements: [{ index: 5, placement: leafAt('a', {}) }] },
      { type: 'insert', placements: [{ index: 0, placement: leafAt('a', { layer: 'gone' }) }] },
      { type: 'remove-inks', ids: ['ground'] },
      { type: 'layers', layers: [] },
      { type: 'layers', layers: [newLayer('a', 'A'), newLayer('a', 'B')] },
      { type: 'add-inks', inks: [{ id: 'ground', name: 'Again', prints: [] }], colours: { ground: '#000000' } },
      { type: 'add-inks', inks: [{ id: 'new', name: 'New', prints: [] }], colours: {} },
    ];
    for (const command of misfits) expect(() => apply(design, command)).toThrow(CommandError);
  });

  it.each([
    [[{ type: 'explode' }]],
    [[{ type: 'remove', ids: ['../etc'] }]],
    [[{ type: 'change', changes: { a: { x: Number.NaN } } }]],
    [[{ type: 'change', changes: { a: { x: '12' } } }]],
    [[{ type: 'change', changes: { a: { id: 'b' } } }]],
    [[{ type: 'change', changes: { a: { layer: 'b' } } }]],
    [[{ type: 'change', changes: { a: { blend: 'burn' } } }]],
    [[{ type: 'change', changes: { a: { skew: 89 } } }]],
    [[{ type: 'layers', layers: [{ id: 'a', name: 'A' }] }]],
    [[{ type: 'guides', guides: [{ id: 'a', axis: 'z', at: 1 }] }]],
    [[{ type: 'repeat', repeat: { width: 1, height: 100, step: { kind: 'square', drop: { p: 0, q: 1 } } } }]],
    [[{ type: 'repeat', repeat: { width: 100, height: 100, step: { kind: 'brick', drop: { p: 2, q: 4 } } } }]],
    [[{ type: 'colour', colourway: 'base', ink: 'ground', colour: 'red' }]],
    [[]],
    [null],
  ])('are refused at the door when malformed: %j', (sent) => {
    expect(commandsSchema.isValidSync(sent, { strict: true })).toBe(false);
  });
});
