export { Deals } from './deals.tsx';
export { ItemSearch } from './item-search.tsx';
export { Lost } from './lost.tsx';
export { Why } from './why.tsx';
