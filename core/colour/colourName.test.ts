import { expect, it } from 'vitest';
import { colourName } from './colourName.ts';
import type { Hex } from './hex.ts';

it('says what anybody would call a colour', () => {
  const named: readonly (readonly [Hex, RegExp])[] = [
    ['#000000', /^Black$/],
    ['#ffffff', /^White$/],
    ['#808080', /[Gg]rey$/],
    ['#303030', /grey$/i],
    ['#d8d8d8', /grey$|^White$/i],
    ['#ff0000', /red$/i],
    ['#500000', /^Dark red$/],
    ['#ffd0d0', /^Pale (salmon|pink)$/],
    ['#fa8072', /^Salmon$/],
    ['#00a000', /green$/i],
    ['#0040ff', /blue$/i],
    ['#101040', /^Dark (blue|purple)$/],
    ['#ffe000', /yellow$/i],
    ['#8000a0', /purple$/i],
    ['#ff8000', /orange$/i],
    ['#008080', /teal$/i],
    ['#ff60b0', /pink$/i],
  ];
  for (const [hex, name] of named) expect(colourName(hex), hex).toMatch(name);
});
