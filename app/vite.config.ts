import { parse } from '@formatjs/icu-messageformat-parser';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import views from '../messages/en/views.json' with { type: 'json' };
import { packed } from '../words/src/packed.ts';

/** Messages come to the page parsed, so that it needs no parser; what is plain text stays so. */
const messages: Plugin = {
  name: 'messages',
  enforce: 'pre',
  transform: {
    filter: { id: /\/messages\/[^/]+\/[^/]+\.json$/ },
    handler(code) {
      const texts = Object.entries(JSON.parse(code) as Record<string, string>);
      const parsed = texts.map(([key, text]) => [
        key,
        /[{}]/.test(text) ? packed(parse(text, { captureLocation: false, ignoreTag: true })) : text,
      ]);
      return JSON.stringify(Object.fromEntries(parsed));
    },
  },
};

export default defineConfig({
  // The folder works below any path: where it lies is told by where its scripts come from.
  base: './',
  plugins: [
    messages,
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
        shortcuts: (['bench', 'shelf', 'ear'] as const).map((view) => ({
          name: views[view],
          url: view === 'bench' ? '.' : `./#/${view}`,
        })),
      },
    }),
  ],
  resolve: {
    alias: {
      '@formatjs/icu-messageformat-parser': '@formatjs/icu-messageformat-parser/no-parser.js',
    },
  },
  worker: { format: 'es' },
  server: { host: '127.0.0.1' },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1000,
    assetsInlineLimit: 0,
    modulePreload: {
      // The list of what each view needs was a hundredth of the first load. From this machine or the
      // cache a script that is found one step later costs nothing to be seen; styles must come first.
      resolveDependencies: (_, dependencies, { hostType }) =>
        hostType === 'js' ? dependencies.filter((name) => name.endsWith('.css')) : dependencies,
    },
    rolldownOptions: {
      output: {
        // What the first look needs in one file: by itself the builder makes thirty of what views share.
        codeSplitting: {
          groups: [
            { name: 'first', tags: ['$initial'] },
            // What that says comes in one file a language.
            { name: 'texts', test: /\/messages\/en\/(common|bench|names|views)\.json$/ },
          ],
        },
      },
    },
  },
});
