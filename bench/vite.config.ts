import { defineConfig } from 'vite';

export default defineConfig({
  root: 'bench/page',
  logLevel: 'error',
  build: { outDir: '../../dist/bench', emptyOutDir: true, target: 'es2022' },
  worker: { format: 'es' },
});
