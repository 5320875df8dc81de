// `npm run notice`: writes NOTICE, the licences of all packages that Hevrel ships or runs with; with `--check` it only looks whether that is up to date.
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './ready.mjs';

const FILE = join(root, 'NOTICE');

const NOTES = [
  'sharp reads and writes pictures with libvips, which is under the LGPL (3.0 or later). It is used as it is published, as a shared\n' +
    'library in a package of its own (@img/sharp-libvips-…), and can be replaced by another build of it in node_modules.',
  'lightningcss (MPL 2.0) works on style sheets while the interface is built. It is used unchanged; its source is published with it.',
  'The fonts are under the SIL Open Font License 1.1 and are shipped unchanged, as parts of Hevrel.',
  'combine-errors names no licence in its package.json; its Readme.md says MIT. The upload client depends on it, and no other client of\n' +
    'the open protocol for resumable uploads is as widely used, which is why it was not replaced.',
];

/** Packages that are installed to run Hevrel, as the lock file has them. */
function packages() {
  const lock = JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8'));
  return Object.entries(lock.packages)
    .filter(([path, { dev }]) => path !== '' && !dev)
    .map(([path, { version, license }]) => ({
      name: path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length),
      version,
      licence: license ?? licenceInReadme(join(root, path)),
    }))
    .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : a.version < b.version ? -1 : 1));
}

function licenceInReadme(folder) {
  const readme = existsSync(folder) && readdirSync(folder).find((name) => /^readme\.md$/i.test(name));
  const named = readme && /^#+ *Licen[cs]e\s+(\S+)/im.exec(readFileSync(join(folder, readme), 'utf8'))?.[1];
  if (!named) throw new Error(`${folder} names no licence: install the packages, or leave it out`);
  return named;
}

function grouped(list, keyOf) {
  const groups = new Map();
  for (const item of list) groups.set(keyOf(item), [...(groups.get(keyOf(item)) ?? []), item]);
  return [...groups].sort(([a], [b]) => (a < b ? -1 : 1));
}

function notice() {
  const listed = grouped(packages(), ({ licence }) => licence).map(
    ([licence, list]) => `${licence}:\n${list.map(({ name, version }) => `  ${name} ${version}`).join('\n')}`,
  );
  return `${[
    'Hevrel is built with, ships and runs with the packages below, under these licences. The text of each is installed with its package.',
    ...NOTES,
    ...listed,
  ].join('\n\n')}\n`;
}

const now = notice();
if (process.argv.includes('--check')) {
  if (!existsSync(FILE) || readFileSync(FILE, 'utf8') !== now) {
    console.error('NOTICE is not up to date: run `npm run notice` and commit it.');
    process.exit(1);
  }
} else writeFileSync(FILE, now);
