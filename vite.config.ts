import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';

export default defineConfig({
  root: 'web',
  plugins: [
    react(),
    tailwindcss(),
    // Compressed once, as far as it goes, and not anew for each that asks.
    compression({ algorithms: [defineAlgorithm('brotliCompress'), defineAlgorithm('gzip')], threshold: 1024 }),
  ],
  build: {
    outDir: '../dist/web',
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 1000,
  },
  worker: { format: 'es' },
  server: { proxy: { '/api': 'http://127.0.0.1:4173' } },
});
