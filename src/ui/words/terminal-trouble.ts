import type { TerminalTrouble } from '../../contracts/view/index.ts';

export const TROUBLE_WORDS: Readonly<Record<TerminalTrouble, string>> = {
  'no-key': 'has no key',
  'never-seen': 'not heard of yet',
  silent: 'silent for over a minute',
  refused: 'says that something is wrong',
  'wrong-clock': 'its clock is wrong',
  behind: 'has not taken the newest price file yet',
};

/** Above a column of counts. */
export const TROUBLE_HEADS: Readonly<Record<TerminalTrouble, string>> = {
  'no-key': 'No key',
  'never-seen': 'Not heard of',
  silent: 'Silent',
  refused: 'Something wrong',
  'wrong-clock': 'Wrong clock',
  behind: 'Behind',
};
