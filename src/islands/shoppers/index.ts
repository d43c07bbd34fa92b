export { FindShoppersDesk } from './find-shoppers.tsx';
export { Join } from './join.tsx';
export { JoinRequests } from './join-requests.tsx';
export { FIND_SHOPPER } from './pick-later.ts';
export { PickShopper } from './pick-shopper.tsx';
export { ShopperDesk } from './shopper.tsx';
export { calledWords } from './shopper-words.ts';
