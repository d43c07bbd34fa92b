import { defineConfig } from 'vitest/config';

/** What asks the application, its tills and the database that the run has started. */
const APPLICATION = 'tests/{browser,endpoints,integration}/**/*.test.ts';

export default defineConfig({
  test: {
    setupFiles: ['tests/seed.ts'],
    // To end what hangs: how long a test takes is the machine's affair.
    testTimeout: 300_000,
    hookTimeout: 60_000,
    // What a screen comes to say, it says in its own time: as long as a page may take to answer.
    expect: { poll: { timeout: 45_000, interval: 100 } },
    // What a file lets run at once has two cores.
    maxConcurrency: 2,
    projects: [
      {
        extends: true,
        test: {
          name: 'alone',
          include: ['{src,tests,tills,demo}/**/*.test.ts'],
          exclude: [APPLICATION],
          maxWorkers: 2,
          sequence: { groupOrder: 0 },
        },
      },
      {
        extends: true,
        test: {
          name: 'together',
          include: [APPLICATION],
          // One file after another: they share two cores with the application, its tills and a browser.
          fileParallelism: false,
          sequence: { groupOrder: 1 },
        },
      },
    ],
  },
});
