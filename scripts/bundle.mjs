// The server as plain JavaScript, in `dist/server`: it starts in half the time that its sources take, which are compiled file by file as they are loaded.
import { readFileSync } from 'node:fs';
import { relative } from 'node:path';
import { build } from 'esbuild';
import { root } from './ready.mjs';

/** What runs by itself: its source, and the plain file that starts it where the sources are run. */
const ENTRIES = {
  main: 'server/main.ts',
  'store/startDatabase': 'server/store/databaseWorker.ts',
  'samples/startPrepare': 'server/samples/prepareWorker.ts',
  'work/startWorker': 'server/work/worker.ts',
  'paint/startPngParts': 'server/paint/pngPartsWorker.ts',
  'paint/startStrips': 'server/paint/stripsWorker.ts',
  'tryon/startDressing': 'server/tryon/dressingWorker.ts',
};

/** Files that are found beside a source are still found beside it, and what is started is started from the bundle. */
const placed = {
  name: 'placed',
  setup({ onLoad }) {
    onLoad({ filter: /\.ts$/ }, ({ path }) => {
      if (path.includes('node_modules')) return undefined;
      const own = JSON.stringify(relative(root, path));
      const contents = readFileSync(path, 'utf8')
        .replace(/new URL\('\.\/(start\w+)\.mjs', import\.meta\.url\)/g, (_all, name) => {
          const entry = Object.keys(ENTRIES).find((key) => key.endsWith(name));
          return `new URL('dist/server/${entry}.mjs', hevrelRoot)`;
        })
        .replaceAll('import.meta.url', `new URL(${own}, hevrelRoot).href`);
      return { contents, loader: 'ts' };
    });
  },
};

await build({
  absWorkingDir: root,
  entryPoints: Object.entries(ENTRIES).map(([out, source]) => ({ in: source, out })),
  outdir: 'dist/server',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  splitting: true,
  chunkNames: 'parts/[hash]',
  format: 'esm',
  platform: 'node',
  target: 'node20',
  packages: 'external',
  // Wherever a part lies, the root is above `dist`.
  banner: { js: "const hevrelRoot = new URL(import.meta.url.replace(/dist\\/server\\/.*$/, ''));" },
  plugins: [placed],
  logLevel: 'warning',
});
