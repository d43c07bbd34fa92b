import type { Phase } from '../phase.ts';

export const PHASE_WORDS: Readonly<Record<Phase, string>> = {
  draft: 'Draft',
  live: 'Live',
  coming: 'Coming',
  paused: 'Paused',
  over: 'Over',
  archived: 'Put away',
};

/** The class of the shape that stands before the word. */
export const PHASE_SHAPES: Readonly<Record<Phase, string>> = {
  draft: 'state-draft',
  live: 'state-live',
  coming: 'state-coming',
  paused: 'state-paused',
  over: 'state-over',
  archived: 'state-over',
};
