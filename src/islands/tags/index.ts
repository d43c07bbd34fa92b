export { Tags } from './tags.tsx';
