export { Worksheet } from './worksheet.tsx';
