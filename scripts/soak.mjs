// `npm run soak`: what takes long by nature. 500 kills, and every property at a thousand runs.
import { ensurePackages, run, binary } from './ready.mjs';

ensurePackages();
run(
  process.execPath,
  [binary('vitest'), 'run', '--project', 'unit', '--testTimeout=3600000', ...process.argv.slice(2)],
  {
    HEVREL_SOAK: '1',
  },
);
