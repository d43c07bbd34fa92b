import { describe, expect, it } from 'vitest';
import { withOwnQuery } from './leaving.ts';

describe('an address through another lens', () => {
  it.each([
    [
      '/plan/new?at=2027-03-01T09%3A00',
      '?draft=new-1&where=s001',
      '/plan/new?at=2027-03-01T09%3A00&draft=new-1',
    ],
    ['/check/basket?where=s001', '?lines=a*1&at=2027-03-01T09:00', '/check/basket?where=s001&lines=a*1'],
    // What the page said when it was made is not what it says by now.
    ['/check/basket?lines=old*1', '?lines=a*1', '/check/basket?lines=a*1'],
    ['/check?item=old', '', '/check'],
    ['/today', '', '/today'],
  ])('%s on a page that says %s is %s', (href, search, wanted) => {
    expect(withOwnQuery(href, search)).toBe(wanted);
  });
});
