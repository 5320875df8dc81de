import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    maxWorkers: availableParallelism(),
    coverage: {
      include: ['core/**', 'contract/**', 'server/**', 'web/editor/**'],
      exclude: ['**/*.test.*', 'core/testing/**'],
    },
    projects: [
      {
        test: {
          name: 'unit',
          include: ['{core,server,web,demo,products,bench}/**/*.test.{ts,tsx}'],
          // Each file would load all its modules anew, which takes longer than most of them run.
          isolate: false,
          // Files that follow in the same process get the real globals back.
          setupFiles: ['core/testing/propertyRuns.ts', 'core/testing/realGlobals.ts'],
          testTimeout: 600_000,
          hookTimeout: 600_000,
          globalSetup: ['server/testing/emptyFolder.ts', 'server/testing/bundled.ts'],
        },
      },
      {
        test: {
          name: 'browser',
          // As above: each would load the whole server anew.
          isolate: false,
          include: ['e2e/**/*.test.ts'],
          testTimeout: 600_000,
          hookTimeout: 600_000,
          globalSetup: ['server/testing/emptyFolder.ts', 'server/testing/bundled.ts', 'e2e/support/laidOut.ts'],
        },
      },
    ],
  },
});
