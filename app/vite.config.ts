import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  worker: { format: 'es' },
  server: { host: '127.0.0.1' },
  build: { target: 'es2022', chunkSizeWarningLimit: 700, assetsInlineLimit: 0 },
});
