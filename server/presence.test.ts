import { describe, expect, it } from 'vitest';
import { PresenceRegistry } from './presence.ts';

describe('the windows that have a design open', () => {
  it('are told of each other until they leave or fall silent, and nothing is remembered of them then', () => {
    let now = 0;
    const presence = new PresenceRegistry(() => now);
    expect(presence.others('kelp', 'one', false)).toEqual([]);
    expect(presence.others('kelp', 'two', true)).toEqual([{ editing: false }]);
    expect(presence.others('kelp', 'one', false)).toEqual([{ editing: true }]);
    presence.leave('kelp', 'two');
    expect(presence.others('kelp', 'one', false)).toEqual([]);
    for (let n = 0; n < 200; n += 1) presence.others(`design ${n}`, 'silent', false);
    expect(presence.size).toBe(201);
    now = 40_000;
    // Those of other designs go too, though nobody asks for these any more.
    presence.others('kelp', 'three', false);
    expect(presence.size).toBe(1);
  });
});
