import fc from 'fast-check';
import { describe as suite, expect, it } from 'vitest';
import { takeArrangement } from '../../core/arrange/index.ts';
import {
  apply,
  type Command,
  CommandError,
  conflicts,
  describe,
  type Design,
  inverse,
  newDesign,
  newLayer,
  NO_GROUND,
} from '../../core/document/index.ts';
import { SQUARE } from '../../core/lattice/index.ts';
import { anyDesign, leafAt } from '../../core/testing/arbitraries.ts';
import { Session } from './session.ts';

const START: Design = {
  ...newDesign('d', 'Kelp', { width: 100, height: 100, step: SQUARE }),
  placements: ['a', 'b', 'c'].map((id, n) => leafAt(id, { x: 10 * n, y: 5 })),
};
const move = (id: string, x: number): Command => ({ type: 'change', changes: { [id]: { x } } });
const x = (session: Session, id: string): number | undefined =>
  session.state.design.placements.find((placement) => placement.id === id)?.x;

suite('what others did', () => {
  it('lies under what is unsent here, which stays to be sent', () => {
    const session = new Session(START);
    session.commit('Moved', move('a', 50));
    session.follow([move('b', 60), { type: 'insert', placements: [{ index: 0, placement: leafAt('new', {}) }] }]);
    expect([x(session, 'a'), x(session, 'b')]).toEqual([50, 60]);
    expect(session.state.pending).toEqual([move('a', 50)]);
    expect(session.state.saved.placements.map(({ id }) => id)).toEqual(['new', 'a', 'b', 'c']);
    expect(session.state.saved.placements[1]?.x).toBe(0);
    // It can still be undone, and undoes only itself.
    session.undo();
    expect([x(session, 'a'), x(session, 'b')]).toEqual([0, 60]);
  });

  it('is refused, with nothing changed, where both changed the same', () => {
    const session = new Session(START);
    session.commit('Moved', move('a', 50));
    const before = session.state;
    expect(() => session.follow([move('a', 70)])).toThrow(CommandError);
    expect(() => session.follow([{ type: 'remove', ids: ['a'] }])).toThrow(CommandError);
    expect(session.state).toBe(before);
  });

  it('ends the history where it changed what is in it, and leaves what came after', () => {
    const session = new Session(START);
    for (const [id, to] of [
      ['a', 41],
      ['b', 42],
      ['c', 43],
    ] as const)
      session.commit(`Moved ${id}`, move(id, to));
    session.acknowledge(3);
    session.follow([move('b', 70)]);
    expect(session.state.past.map(({ label }) => label)).toEqual(['Moved c']);
    session.undo();
    expect([x(session, 'a'), x(session, 'b'), x(session, 'c')]).toEqual([41, 70, 20]);
    expect(session.undo()).toBeUndefined();
  });

  it('gives the same whichever comes first, where they have nothing in common', () => {
    fc.assert(
      fc.property(
        fc.subarray(['a', 'b', 'c'], { minLength: 1, maxLength: 2 }),
        fc.integer({ min: 0, max: 99 }),
        fc.integer({ min: 0, max: 99 }),
        (mine, here, there) => {
          const theirs = ['a', 'b', 'c'].filter((id) => !mine.includes(id));
          const [ours, others] = [mine.map((id) => move(id, here)), theirs.map((id) => move(id, there))];
          expect(conflicts(ours, others, true)).toBe(false);
          const session = new Session(START);
          for (const command of ours) session.commit('Moved', command);
          session.follow(others);
          expect(session.state.design).toEqual([...ours, ...others].reduce(apply, START));
        },
      ),
    );
  });

  it('is kept apart from what is acknowledged one by one', () => {
    const session = new Session(START);
    session.commit('Moved', move('a', 50));
    session.commit('Moved', move('a', 51));
    session.acknowledge(1);
    expect(session.state.saved.placements[0]?.x).toBe(50);
    session.acknowledge(1);
    expect(session.state.saved).toBe(session.state.committed);
    session.replace({ ...START, name: 'Elsewhere' });
    expect([session.state.design.name, session.state.past.length]).toEqual(['Elsewhere', 0]);
  });

  it.each<[Command[], string]>([
    [[move('a', 1)], 'moved a motif'],
    [[{ type: 'change', changes: { a: { rotation: 3, x: 1 }, b: { rotation: 4 } } }], 'rotated 2 motifs'],
    [
      [
        { type: 'remove', ids: ['a'] },
        { type: 'ground', ground: NO_GROUND },
      ],
      'deleted a motif, changed the ground',
    ],
    [
      [
        {
          type: 'all',
          commands: [
            { type: 'remove', ids: ['a'] },
            { type: 'insert', placements: [{ index: 2, placement: leafAt('a', {}) }] },
          ],
        },
      ],
      'reordered a motif',
    ],
    [
      [
        { type: 'layers', layers: [newLayer('main', 'Motifs')] },
        { type: 'guides', guides: [] },
        { type: 'name', name: 'Tide' },
      ],
      'changed the layers, changed the guides, renamed it “Tide”',
    ],
  ])('is told in a few words (%#)', (commands, words) => {
    expect(describe(commands)).toBe(words);
  });
});

suite('taking an arrangement', () => {
  it('makes it the other’s, but for name and colours, and is undone as one step', () => {
    fc.assert(
      fc.property(anyDesign(), anyDesign(), (from, to) => {
        const design = apply(from, { type: 'repeat', repeat: from.repeat });
        const layers = [newLayer('under', 'Under'), newLayer('main', 'Motifs')];
        const other: Design = {
          ...apply(to, { type: 'repeat', repeat: to.repeat }),
          layers,
          guides: [{ id: 'g', axis: 'x', at: 3 }],
          inks: [...to.inks, { id: 'new', name: 'New', prints: ['#123456'] }],
          colourways: [{ id: 'base', name: 'Base', colours: { ground: '#ffffff', new: '#654321' } }],
        };
        const command = takeArrangement(design, other);
        const after = apply(design, command);
        expect([after.repeat, after.layers, after.guides, after.toss, after.placements]).toEqual([
          other.repeat,
          other.layers,
          other.guides,
          other.toss,
          other.placements,
        ]);
        expect([after.name, after.ground, after.colourways[0]?.colours['ground']]).toEqual([
          design.name,
          design.ground,
          design.colourways[0]?.colours['ground'],
        ]);
        expect(after.colourways[0]?.colours['new']).toBe('#654321');
        expect(apply(after, inverse(design, command))).toEqual(design);
      }),
      { numRuns: 60 },
    );
  });
});

suite('a session', () => {
  it('previews without recording, commits as one step, and keeps what is unsent', () => {
    const start = apply(
      newDesign('d', 'Kelp', { width: 100, height: 100, step: { kind: 'half-drop', drop: { p: 1, q: 2 } } }),
      { type: 'insert', placements: [{ index: 0, placement: leafAt('a', { x: 90, y: 10 }) }] },
    );
    const session = new Session(start);
    expect(() => session.commit('remove', { type: 'remove', ids: ['gone'] })).toThrow(CommandError);
    expect(session.state.committed).toBe(start);
    session.preview({ type: 'change', changes: { a: { x: 105, y: 10 } } });
    expect(session.state.design.placements[0]).toMatchObject({ x: 5, y: 60 });
    expect(session.state.committed).toBe(start);
    session.commit('move', { type: 'change', changes: { a: { x: 110, y: 10 } } });
    session.commit('name', { type: 'name', name: 'Tide' });
    expect(session.state.pending).toHaveLength(2);
    session.acknowledge(1);
    expect(session.undo()?.label).toBe('name');
    session.undo();
    expect(session.undo()).toBeUndefined();
    expect(session.state.design).toEqual(start);
    expect(session.state.pending.map(({ type }) => type)).toEqual(['name', 'name', 'change']);
    session.redo();
    expect(session.state.design.placements[0]).toMatchObject({ x: 10, y: 60 });
    session.commit('ground', { type: 'ground', ground: NO_GROUND });
    expect(session.redo()).toBeUndefined();
  });
});
