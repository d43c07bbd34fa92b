import type { Promotion } from './model.ts';

/** Whether only a basket gets it that carries one of its codes (pricing rules 4.5). */
export const needsCode = ({ codes, codeBatches }: Pick<Promotion, 'codes' | 'codeBatches'>): boolean =>
  codes.length > 0 || codeBatches;
