export { PricesSideBySide } from './prices-side-by-side.tsx';
