export { DayField } from './day-field.tsx';
