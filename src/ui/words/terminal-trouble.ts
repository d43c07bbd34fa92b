import type { TerminalTrouble } from '../../contracts/view/index.ts';

export const TROUBLE_WORDS: Readonly<Record<TerminalTrouble, string>> = {
  'never-seen': 'not heard of yet',
  silent: 'silent for over a minute',
  refused: 'says that something is wrong',
  'wrong-clock': 'its clock is wrong',
  behind: 'has not taken the newest price file yet',
};
