import type { ChainWords } from '../src/contracts/index.ts';

/** How Quillmere's tills write what they tell of a basket. */
export const WORDS: ChainWords = {
  payments: ['card', 'cash', 'voucher', 'invoice'],
  deliveries: ['courier', 'parcel locker', 'collected'],
  regions: ['Coast', 'Heath', 'Lakeland', 'Isles'],
  linkTags: ['newsletter', 'leaflet'],
};
