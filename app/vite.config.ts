import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  // The folder works below any path: where it lies is told by where its scripts come from.
  base: './',
  plugins: [
    react(),
    VitePWA({
      registerType: 'prompt',
      injectRegister: false,
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
        navigateFallback: 'index.html',
        navigateFallbackDenylist: [/\.json$/],
      },
      manifest: {
        name: 'Rosefinch',
        short_name: 'Rosefinch',
        description: 'A tuning bench for guitars, ukuleles and banjos',
        theme_color: '#fbf6f0',
        background_color: '#fbf6f0',
        display: 'standalone',
        icons: [
          { src: 'icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          { src: 'icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: 'icon-512.png', sizes: '512x512', type: 'image/png' },
          {
            src: 'icon-maskable-512.png',
            sizes: '512x512',
            type: 'image/png',
            purpose: 'maskable',
          },
        ],
        shortcuts: ['Bench', 'Shelf', 'Ear'].map((name) => ({
          name,
          url: name === 'Bench' ? '.' : `./#/${name.toLowerCase()}`,
        })),
      },
    }),
  ],
  worker: { format: 'es' },
  server: { host: '127.0.0.1' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1000,
    assetsInlineLimit: 0,
    rolldownOptions: {
      output: {
        // What the first look needs in one file: by itself the builder makes thirty of what views share.
        codeSplitting: { groups: [{ name: 'first', tags: ['$initial'] }] },
      },
    },
  },
});
