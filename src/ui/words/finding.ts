import type { PlanFinding } from '../../contracts/view/index.ts';

/** What is wrong, in two or three words. */
export const FINDING_WORDS: Readonly<Record<PlanFinding['code'], string>> = {
  'below-cost': 'Below cost',
  'below-floor': 'Under the margin floor',
  'gift-not-carried': 'Gift cannot be had',
  'never-reached': 'Never reached',
  'never-wins': 'Never sets a price',
  'nothing-carried': 'None of its stores sells it',
  'nothing-selected': 'Selects nothing',
  'open-end': 'No end',
  overlap: 'Two at one priority',
  'raises-price': 'Raises prices',
  'reduced-before': 'Reduced again within 30 days',
  'same-units': 'Two want the same units',
  'worse-than-shelf': 'No better than the shelf',
};
