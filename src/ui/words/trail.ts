import type { TrailAbout, TrailPart } from '../../contracts/view/index.ts';
import { saidCount } from '../writing/index.ts';

export const TRAIL_PART_WORDS: Readonly<Record<TrailPart, string>> = {
  promotions: 'Promotions',
  stockroom: 'Stockroom',
  sending: 'Sending',
  chain: 'How the chain works',
};

/** What somebody did it to, where that is not a promotion. */
export function trailAboutWords(about: Exclude<TrailAbout, { kind: 'promotion' }>, title: string): string {
  switch (about.kind) {
    case 'table':
      return about.rows === 1 ? `${title}, one row` : `${title}, ${saidCount(about.rows)} rows`;
    case 'sending':
      return `Price file ${about.number} to ${about.stores === 1 ? 'one store' : `${saidCount(about.stores)} stores`}`;
    case 'terminal':
      return `Terminal ${about.id}`;
    case 'person':
      return about.name;
    case 'shopper':
      return about.id === '*' ? 'All known shoppers' : `Shopper ${about.id}`;
    case 'plan':
      return 'The whole plan';
    case 'chain':
      return 'The settings of the chain';
    case 'work-rules':
      return 'The rules of work';
    case 'chain-words':
      return 'The words of the chain';
    case 'key':
      return 'The key that signs price files';
  }
}
