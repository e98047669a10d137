import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react()],
  build: { chunkSizeWarningLimit: 1200, assetsInlineLimit: 0 },
  server: { host: '127.0.0.1', proxy: { '/api': 'http://127.0.0.1:8420' } },
  test: {
    environment: 'happy-dom',
    include: ['src/**/*.test.{ts,tsx}'],
    setupFiles: ['src/test/setup.ts'],
    silent: 'passed-only',
    // Loading the components takes longer than testing them: once for each worker, not for each file.
    isolate: false,
    pool: 'threads',
    unstubGlobals: true,
    restoreMocks: true,
  },
});
