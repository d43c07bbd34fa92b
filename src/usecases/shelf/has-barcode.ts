/** EAN-13 and EAN-8: other numbers stand on a tag in figures alone. */
export const hasBarcode = (gtin: string | null): boolean =>
  gtin !== null && [8, 12, 13].includes(gtin.length);
