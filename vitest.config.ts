import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: { include: ['src/**/*.test.ts', 'tests/**/*.test.ts', 'tills/**/*.test.ts'], testTimeout: 30_000 },
});
