import { describe, expect, it } from 'vitest';
import { isGuessed } from './guessed-password.ts';

describe('a password that is tried first', () => {
  it.each([
    '123456789012',
    'qwertyuiopas',
    'Zyxwvutsrqponm',
    'password2027!',
    'PasswordPassword1',
    'Welcome-Admin-2026',
    'BellTag Pricing 1',
    'aaaaaaaaaaaaaaa',
    'abababababab',
    '1q2w3e4r5t6y',
  ])('is %s', (password) => {
    expect(isGuessed(password)).toBe(true);
  });

  it.each([
    'quillmere-demo',
    'a long enough word',
    'korrekt Pferd Batterie',
    '7hGq!x2LpW9z',
    'пароль-из-трёх-слов',
  ])('is not %s', (password) => {
    expect(isGuessed(password)).toBe(false);
  });
});
