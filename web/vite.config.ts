import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';
import { brotli } from './brotli.mjs';

export default defineConfig({
  plugins: [svelte(), tailwindcss(), brotli()],
  build: {
    target: 'es2022',
    // Fonts and marks stay files of their own: the content policy allows no inlined ones.
    assetsInlineLimit: 0,
    rolldownOptions: { input: ['index.html', 'api-docs.html'] }
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8751' } }
});
