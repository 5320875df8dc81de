import { describe, expect, it } from 'vitest';
import type { StoredMotif } from '../../../contract/index.ts';
import { areMany, counts, groupedNotes, inOrder, missingFonts } from './arrivalGroups.ts';
import type { Arrival } from './imports.ts';

const arrival = (name: string, rest: Partial<Arrival> = {}): Arrival => ({
  id: 1,
  name,
  progress: 1,
  state: 'here',
  motif: { id: name } as StoredMotif,
  notes: [],
  fonts: [],
  stop: () => undefined,
  ...rest,
});
const SOFT = 'Kept as a picture where it has a filter effect; the rest stays vectors.';
const TIDE = { asked: 'Tide', standIn: 'Caveat' };

describe('files that came together', () => {
  const files = [
    arrival('a', { notes: [SOFT], fonts: [TIDE] }),
    arrival('b', { state: 'refused', notes: ['It is broken.'] }),
    arrival('c', { notes: ['Left out: a script.', SOFT], fonts: [TIDE, { asked: 'Ebb', standIn: 'Young Serif' }] }),
    arrival('d', { state: 'waiting' }),
    arrival('e', { state: 'coming' }),
  ];

  it('have said once what is true of several, most first, and refusals by themselves', () => {
    expect(groupedNotes(files)).toEqual([
      { note: SOFT, names: ['a', 'c'] },
      { note: 'Left out: a script.', names: ['c'] },
    ]);
  });

  it('miss each font once', () => {
    expect(missingFonts(files)).toEqual([
      { ...TIDE, motifs: ['a', 'c'] },
      { asked: 'Ebb', standIn: 'Young Serif', motifs: ['c'] },
    ]);
  });

  it('are counted, and listed by what one asks after first', () => {
    expect(counts(files)).toEqual({ here: 2, refused: 1, coming: 2 });
    expect(inOrder(files).map(({ name }) => name)).toEqual(['b', 'e', 'd', 'a', 'c']);
    expect([areMany(files), areMany([...files, ...files])]).toEqual([false, true]);
  });
});
