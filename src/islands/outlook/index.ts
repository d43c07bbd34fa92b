export { OutlookBelow } from './outlook-below.tsx';
