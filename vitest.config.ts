import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['{src,tests,tills,demo}/**/*.test.ts'],
    setupFiles: ['tests/seed.ts'],
    // One file after another: the tests share two cores with the application, its tills and a browser.
    fileParallelism: false,
    testTimeout: 30_000,
    hookTimeout: 60_000,
  },
});
