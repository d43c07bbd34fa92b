import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'standalone' }),
  integrations: [react()],
  outDir: './dist/app',
  telemetry: false,
  devToolbar: { enabled: false },
  server: { host: '127.0.0.1' },
  vite: {
    plugins: [tailwindcss() as never],
    // One copy of the packages that the core uses, in the bundle: their module forms differ between tools.
    ssr: { noExternal: ['rrule', 'temporal-polyfill'] },
  },
} as never);
