import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    coverage: {
      include: ['core/**', 'contract/**', 'server/**', 'web/editor/**'],
      exclude: ['**/*.test.*', 'core/testing/**'],
    },
    projects: [
      {
        test: {
          name: 'unit',
          setupFiles: ['core/testing/soak.ts'],
          include: ['{core,server,web,demo}/**/*.test.{ts,tsx}'],
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
      {
        test: {
          name: 'browser',
          include: ['e2e/**/*.test.ts'],
          testTimeout: 120_000,
          hookTimeout: 120_000,
          fileParallelism: false,
          globalSetup: 'e2e/support/laidOut.ts',
        },
      },
    ],
  },
});
