import { defineConfig } from 'vite';

export default defineConfig({
  root: 'bench/page',
  logLevel: 'warn',
  build: { outDir: '../../dist/bench', emptyOutDir: true, target: 'es2022' },
  worker: { format: 'es' },
});
