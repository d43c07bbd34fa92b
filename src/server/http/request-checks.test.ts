import { describe, expect, it } from 'vitest';
import { ownPath } from './own-path.ts';
import { comesFromElsewhere, isSoundPath } from './request-checks.ts';

describe('where somebody goes after signing in', () => {
  it.each([
    ['/today', '/today'],
    ['/plan/a?where=s001&at=2027-01-01T09:00#x', '/plan/a?where=s001&at=2027-01-01T09:00#x'],
    ['/plan/~YS9i', '/plan/~YS9i'],
  ])('%s is a path of ours', (text, path) => {
    expect(ownPath(text)).toBe(path);
  });
  it.each([
    null,
    '',
    'today',
    '//elsewhere.example',
    '/\\elsewhere.example',
    '/\t/elsewhere.example',
    '/\n/elsewhere.example',
    '\t//elsewhere.example',
    '/..//elsewhere.example',
    '/.//elsewhere.example',
    '/%2e%2e//elsewhere.example',
    'https://elsewhere.example',
    'javascript:alert(1)',
    '/</script><script>alert(1)</script>\u2028',
    '/\u0000',
  ])('%j is none', (text) => {
    expect(ownPath(text)).toBeNull();
  });
  it.each(['/</SCRIPT><ScRiPt>alert(1)</sCrIpT>', '/"onmouseover="x'])(
    '%s comes back so that it is no markup',
    (text) => {
      expect(ownPath(text) ?? '').not.toMatch(/[<>"]/);
    },
  );
});

describe('a path', () => {
  it.each(['/today', '/plan/~YS9i', '/stockroom/item/Q1', '/a%20b'])('%s can be read', (path) => {
    expect(isSoundPath(path)).toBe(true);
  });
  it.each(['/plan/%00', '/plan/%0a', '/plan/%', '/plan/%zz', '/plan/%ff', `/${'a'.repeat(5_000)}`])(
    '%s cannot',
    (path) => {
      expect(isSoundPath(path)).toBe(false);
    },
  );
});

describe('a request that changes something', () => {
  const OURS = 'http://127.0.0.1:4321';
  const asked = (headers: Record<string, string>, method = 'POST') =>
    comesFromElsewhere(
      { method, headers: new Headers({ host: '127.0.0.1:4321', ...headers }) } as Request,
      OURS,
    );
  it.each([
    [{ origin: OURS }],
    [{ origin: 'http://localhost:9000', host: 'localhost:9000' }],
    [{ 'sec-fetch-site': 'same-origin' }],
    [{}],
  ])('from %j is ours', (headers) => {
    expect(asked(headers as Record<string, string>)).toBe(false);
  });
  it.each([
    [{ origin: 'https://elsewhere.example' }],
    [{ origin: 'null' }],
    [{ origin: 'http://127.0.0.1:4322' }],
    [{ 'sec-fetch-site': 'cross-site' }],
    [{ 'sec-fetch-site': 'same-site' }],
  ])('from %j is not', (headers) => {
    expect(asked(headers as Record<string, string>)).toBe(true);
    expect(asked(headers as Record<string, string>, 'GET')).toBe(false);
  });
});
