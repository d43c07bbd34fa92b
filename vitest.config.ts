import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    include: ['src/**/*.test.ts', 'tests/**/*.test.ts', 'tills/**/*.test.ts'],
    setupFiles: ['tests/seed.ts'],
    testTimeout: 30_000,
    hookTimeout: 60_000,
  },
});
