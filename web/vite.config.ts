import { constants } from 'node:zlib';
import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';
import { builtValidators } from './validators-plugin';

const TEXTS = /\.(js|css|html|svg|webmanifest)$/;
const SELDOM = /\/(validate|pdfmake|picture|dictionary-worker)-[\w-]+\.js$/;
const ALMOST_SMALLEST = { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } };

export default defineConfig({
  logLevel: 'warn',
  plugins: [
    builtValidators(),
    react(),
    tailwind(),
    VitePWA({
      registerType: 'autoUpdate',
      // Our own worker, so that it can send what is unsent; the page opens without the server after the
      // first visit, data comes from the device's store.
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'sw.ts',
      injectManifest: { globPatterns: ['**/*.{js,css,html,svg,woff,woff2}'] },
      manifest: {
        name: 'Jeitinho',
        short_name: 'Jeitinho',
        description: 'Find the fault on an open unit: measure, judge, decide.',
        background_color: '#f4f0e6',
        theme_color: '#0a6a52',
        display: 'standalone',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
    }),
    // Beside each text its brotli and its gzip, made once and not at each answer.
    compression({
      include: TEXTS,
      exclude: SELDOM,
      threshold: 1024,
      algorithms: ['brotliCompress', 'gzip'],
      scheduler: { limit: 2 },
    }),
    // The last hundredth of what is large and seldom wanted would be half the time of the build.
    compression({
      include: SELDOM,
      algorithms: [defineAlgorithm('brotliCompress', ALMOST_SMALLEST), 'gzip'],
      scheduler: { limit: 2 },
    }),
  ],
  server: { proxy: { '/api': 'http://127.0.0.1:8137' } },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 1100,
    rolldownOptions: {
      output: {
        // Modules run in their order, however they are put together.
        strictExecutionOrder: true,
        // Each file costs a way there and back: what every screen begins with is one, and what most share another.
        // What is large and seldom wanted has fewer that share it, and stays by itself.
        codeSplitting: {
          groups: [
            { name: 'first', tags: ['$initial'], priority: 2 },
            {
              name: 'common',
              minShareCount: 3,
              includeDependenciesRecursively: false,
            },
          ],
        },
      },
    },
  },
});
