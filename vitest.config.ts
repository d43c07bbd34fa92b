import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{src,tests,tills,demo}/**/*.test.ts'],
    setupFiles: ['tests/seed.ts'],
    testTimeout: 30_000,
    hookTimeout: 60_000,
  },
});
