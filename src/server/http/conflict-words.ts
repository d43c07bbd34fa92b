import type { Conflict } from '../../contracts/index.ts';

/** What somebody is told who was not the first. */
export function conflictWords(conflict: Conflict): string {
  switch (conflict.code) {
    case 'promotion-saved':
      return 'Somebody saved this promotion after you opened it.';
    case 'promotion-gone':
      return 'This promotion is not there any more.';
    case 'entry-saved':
      return 'Somebody changed this after you opened it. Nothing was saved; open it again to see what stands.';
    case 'settings-saved':
      return 'Somebody changed the same after you opened it. Nothing was kept; look at what stands now.';
    case 'one-saved':
      return conflict.undoing
        ? `Somebody saved “${conflict.id}” just now. Nothing was undone.`
        : `Somebody saved “${conflict.id}” just now. Nothing was changed; look again.`;
    case 'plan-moves':
      return conflict.bringing
        ? 'Others are changing the plan just now. Nothing was brought in.'
        : 'Others are changing the plan just now. Nothing was saved; try again.';
    case 'plan-changed':
      return 'Somebody changed the plan since you looked at it. Nothing was replaced; look again.';
    case 'chain-begun':
      return 'Somebody has begun this chain already. Nothing was changed.';
    case 'review-is-old':
      return conflict.of === 'plan'
        ? 'The plan has changed since it was reviewed. Nothing was sent; review it again.'
        : 'What is held back has changed since it was reviewed. Nothing was sent; review it again.';
  }
}
