/** What is tried first, by hand and by program: runs of keys, runs of signs, the words that everybody takes. */
const RUNS = [
  '01234567890123456789',
  'abcdefghijklmnopqrstuvwxyz',
  'qwertyuiopasdfghjklzxcvbnm',
  'qwertzuiopasdfghjklyxcvbnm',
  'azertyuiopqsdfghjklmwxcvbn',
  '1q2w3e4r5t6y7u8i9o0p',
  '1qaz2wsx3edc4rfv5tgb6yhn7ujm',
];
const WORDS = [
  ...[
    'password',
    'passwort',
    'passphrase',
    'letmein',
    'welcome',
    'admin',
    'administrator',
    'secret',
    'changeme',
  ],
  ...['iloveyou', 'monkey', 'dragon', 'football', 'baseball', 'sunshine', 'princess', 'superman', 'trustno1'],
  ...['belltag', 'pricing', 'default', 'master', 'login', 'hello', 'summer', 'winter', 'spring', 'autumn'],
];
/** Fewer signs than these that differ are soon tried through. */
const DIFFERENT = 5;

/** Whether a password is among those that are tried first. */
export function isGuessed(password: string): boolean {
  const plain = password.toLowerCase().replaceAll(/[^\p{L}\p{N}]/gu, '');
  if (new Set(password).size < DIFFERENT) return true;
  if (RUNS.some((run) => run.includes(plain) || reversed(run).includes(plain))) return true;
  // What is left of it without such words and the year behind them.
  const left = WORDS.reduce((text, word) => text.replaceAll(word, ''), plain).replaceAll(/\d/g, '');
  return left.length < 3;
}

const reversed = (text: string): string => [...text].reverse().join('');
