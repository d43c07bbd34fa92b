import { defineConfig, type TestProjectConfiguration } from 'vitest/config';

/** What asks the application, its tills and the database that the run has started; a browser among it. */
const BROWSER = 'tests/browser/**/*.test.ts';
const ASKED = 'tests/{endpoints,integration}/**/*.test.ts';

export default defineConfig({
  test: {
    setupFiles: ['tests/seed.ts'],
    testTimeout: 30_000,
    hookTimeout: 60_000,
    // What a file lets run at once has two cores.
    maxConcurrency: 2,
    projects: [
      {
        extends: true,
        test: {
          name: 'alone',
          include: ['{src,tests,tills,demo}/**/*.test.ts'],
          exclude: [BROWSER, ASKED],
          maxWorkers: Number(process.env.TEST_WORKERS ?? 2),
          sequence: { groupOrder: 0 },
        },
      },
      together('asked', ASKED, 1),
      together('browser', BROWSER, 2),
    ],
  },
});

/** One file after another: they share an application and its tills. */
function together(name: string, include: string, groupOrder: number): TestProjectConfiguration {
  return {
    extends: true,
    test: { name, include: [include], fileParallelism: false, sequence: { groupOrder } },
  };
}
