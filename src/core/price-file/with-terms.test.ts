import { expect, test } from 'vitest';
import { withTerms } from './with-terms.ts';

const CLINIC = { id: 'clinic', name: 'Harbour Clinic', priceList: 'own' };
const SHOPPERS = [
  CLINIC,
  { id: 'ann', account: 'clinic' },
  { id: 'school', name: 'A school' },
  { id: 'bo', account: 'school' },
  { id: 'cy', priceList: 'members' },
  { id: 'dee', groups: ['members'] },
];
const ids = (...named: string[]) => withTerms(SHOPPERS, new Set(named)).map(({ id }) => id);

test('a till is sent whom it would price otherwise: by a list, by an account, by name', () => {
  expect(ids()).toEqual(['clinic', 'ann', 'cy']);
  expect(ids('dee')).toEqual(['clinic', 'ann', 'cy', 'dee']);
  expect(ids('school')).toEqual(['clinic', 'ann', 'school', 'bo', 'cy']);
  expect(ids('bo')).toEqual(['clinic', 'ann', 'school', 'bo', 'cy']);
});

test('and by number alone', () => {
  expect(withTerms([CLINIC], new Set())).toEqual([{ id: 'clinic', priceList: 'own' }]);
});
