import { describe, expect, it } from 'vitest';
import { asDrawn, type Design, inkResolver, newDesign } from '../document/index.ts';
import { SQUARE } from '../lattice/index.ts';
import { channels, isHex, readHex, withAlpha } from './hex.ts';

describe('colours', () => {
  it.each([
    ['#B3402E', '#b3402e'],
    ['b3402e', '#b3402e'],
    [' #abc ', '#aabbcc'],
    ['red', undefined],
    ['#12345', undefined],
    ['', undefined],
  ])('reads %j', (text, hex) => expect(readHex(text)).toBe(hex));

  it('are kept in one form', () => {
    expect(isHex('#b3402e')).toBe(true);
    expect(isHex('#B3402E')).toBe(false);
    expect(isHex(7)).toBe(false);
    expect(channels('#b3402e')).toEqual([0xb3, 0x40, 0x2e]);
    expect(withAlpha('#b3402e', 1)).toBe('#b3402e');
    expect(withAlpha('#b3402e', 0.25)).toBe('rgba(179,64,46,0.25)');
  });
});

describe('inks', () => {
  const design: Design = {
    ...newDesign('d', 'Leaves', { width: 10, height: 10, step: SQUARE }),
    inks: [
      { id: 'ground', name: 'Ground', prints: [] },
      { id: 'red', name: 'Red', prints: ['#b3402e', '#b4412f'] },
    ],
    colourways: [
      { id: 'base', name: 'Base', colours: { ground: '#ffffff', red: '#b3402e' } },
      { id: 'dusk', name: 'Dusk', colours: { ground: '#000000', red: '#205ac0' } },
    ],
  };

  it('print every colour that they stand for, in the colourway that is looked at', () => {
    expect(inkResolver(design)('#b4412f')).toBe('#b3402e');
    expect(inkResolver(design, 'dusk')('#b4412f')).toBe('#205ac0');
  });

  it('leave a colour that no ink prints as it was drawn', () => {
    expect(inkResolver(design)('#123456')).toBe('#123456');
    expect(asDrawn('#123456')).toBe('#123456');
  });
});
