import { copyFileSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { expect, it } from 'vitest';
import { readProducts } from './shippedProducts.ts';
import { removeFolder } from '../testing/folders.ts';

const SHIPPED = new URL('../../products/', import.meta.url);

it('leaves out a product that is not as it has to be, and says why', () => {
  const folder = mkdtempSync(join(tmpdir(), 'hevrel-shelf-'));
  const mug = readFileSync(new URL('mug.json', SHIPPED), 'utf8');
  const put = (name: string, text: string): void => writeFileSync(join(folder, name), text);
  copyFileSync(new URL('mug.svg', SHIPPED), join(folder, 'mug.svg'));
  put('mug.json', mug);
  put('broken.json', '{"version": 1,');
  put('jug.json', mug);
  put('tin.json', mug.replace('"id": "mug"', '"id": "tin"'));
  put('flat.json', mug.replace('"diameter": 82', '"diameter": -82'));
  const said: string[] = [];
  const found = readProducts(pathToFileURL(`${folder}/`), (line) => said.push(line));
  removeFolder(folder);
  expect([...found.keys()]).toEqual(['mug']);
  expect(said).toHaveLength(4);
  expect(said.join('\n')).toMatch(/broken\.json is left out/);
  expect(said.join('\n')).toMatch(/jug\.json is left out: its id is “mug”/);
  expect(said.join('\n')).toMatch(/tin\.json is left out: there is no drawing/);
  expect(said.join('\n')).toMatch(/flat\.json is left out: .*diameter/);
});
