import { describe, expect, it } from 'vitest';
import { pastedFiles } from './pastedFiles.ts';

const picture = new File([new Uint8Array(3)], 'image.png', { type: 'image/png' });

describe('what is pasted', () => {
  it('is a picture where there is one', () => {
    expect(pastedFiles({ files: [picture], text: '' })).toEqual([picture]);
    expect(pastedFiles({ files: [new File([''], 'a.txt', { type: 'text/plain' })], text: 'kelp' })).toEqual([]);
  });

  it.each([
    '<svg xmlns="http://www.w3.org/2000/svg"/>',
    '<?xml version="1.0"?>\n<!-- kelp -->\n<!DOCTYPE svg>\n<svg >',
    '  <SVG>',
  ])('is a drawing where its text is SVG: %s', async (text) => {
    const [file] = pastedFiles({ files: [], text });
    expect(file?.name).toBe('Pasted drawing.svg');
    expect(await file?.text()).toBe(text);
  });

  it.each(['', 'svg', '<svgx>', '<p><svg></svg></p>', '{"svg": 1}'])(
    'is nothing for the cloth where it is not: %s',
    (text) => {
      expect(pastedFiles({ files: [], text })).toEqual([]);
    },
  );
});
