export { ItemSearch } from './item-search.tsx';
