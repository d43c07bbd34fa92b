import { laterPart } from '../../ui/pieces/index.ts';

/** A box to find shoppers by, for panels that are rarely opened: its script comes when one is. */
export const FIND_SHOPPER = laterPart(async () => (await import('./pick-shopper.tsx')).PickShopper);
