import { describe, expect, it } from 'vitest';
import { readEnvironment } from './environment.ts';

const OURS = { DATABASE_URL: 'postgres://there', BELLTAG_SECRET: 'kept' };
const HOUSE = {
  BELLTAG_OIDC_ISSUER: 'https://people.quillmere.example',
  BELLTAG_OIDC_CLIENT: 'bell-tag',
  BELLTAG_OIDC_SECRET: 'shared',
};

describe('what a server is told of a directory of people', () => {
  it('is all of it, or nothing', () => {
    expect(readEnvironment({ ...OURS }).directory).toBeNull();
    expect(readEnvironment({ ...OURS, ...HOUSE }).directory).toMatchObject({
      issuer: 'https://people.quillmere.example',
      client: 'bell-tag',
      name: "your house's directory",
    });
    expect(() => readEnvironment({ ...OURS, ...HOUSE, BELLTAG_OIDC_SECRET: '' })).toThrow(/set together/);
  });

  it.each([
    ['http://people.quillmere.example', false],
    ['http://127.0.0.1:9000', true],
    ['http://localhost:9000', true],
    ['http://127.0.0.1.quillmere.example', false],
  ])('may be at %s: %s', (issuer, good) => {
    const read = () => readEnvironment({ ...OURS, ...HOUSE, BELLTAG_OIDC_ISSUER: issuer });
    if (good) expect(read().directory?.issuer).toBe(issuer);
    else expect(read).toThrow(/has to begin with https/);
  });
});
