import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import type { AstroIntegration } from 'astro';
import { defineConfig } from 'astro/config';

// Islands that come to life when they are approached, so that a page which is only read loads no script for them.
const touched: AstroIntegration = {
  name: 'touched',
  hooks: {
    'astro:config:setup': ({ addClientDirective }) =>
      addClientDirective({ name: 'touched', entrypoint: './src/ui/touched.ts' }),
  },
};

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react(), touched],
  outDir: './dist/app',
  telemetry: false,
  // Hashes of the few scripts that the framework writes into pages; everything else comes from files of ours.
  experimental: { csp: true },
  // A check of our own looks at every request that changes something (src/middleware.ts).
  security: { checkOrigin: false },
  devToolbar: { enabled: false },
  server: { host: '127.0.0.1' },
  vite: {
    // No script stands in a page.
    build: { assetsInlineLimit: 0 },
    plugins: [tailwindcss() as never],
    // One copy of the packages that the core uses, in the bundle: their module forms differ between tools.
    ssr: { noExternal: ['rrule', 'temporal-polyfill'] },
  },
} as never);
