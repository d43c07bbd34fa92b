/** What `npm test` started for the tests. */
const read = (name: string): string => {
  const value = process.env[name];
  if (!value)
    throw new Error(`${name} is not set: run these tests with "npm test", which starts what they need`);
  return value;
};

export const running = () => ({
  origin: read('TEST_ORIGIN'),
  tillPage: read('TEST_TILL_PAGE'),
  tillFolder: read('TEST_TILLS'),
  databaseUrl: read('TEST_DATABASE_URL'),
  /** Signs session cookies, the same at every server. */
  secret: read('TEST_SECRET'),
  chromium: read('TEST_CHROMIUM'),
});

export type DemoName = 'ines' | 'rufus' | 'odile' | 'tove' | 'basil';
export const emailOf = (name: DemoName): string => `${name}@quillmere.example`;
