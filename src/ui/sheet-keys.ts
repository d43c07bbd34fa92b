/** The keys of a sheet of cells, as the list of keys shows them. */
export const SHEET_KEYS = [
  { key: 'arrows', does: 'move over the cells; with Shift, hold several' },
  { key: 'Enter', does: 'change the cell; typing does so too' },
  { key: 'Tab', does: 'keep what was typed and go on to the right' },
  { key: 'Ctrl C, V', does: 'copy and paste cells, also from and to a spreadsheet' },
  { key: 'Ctrl D', does: 'fill the held cells with the topmost' },
  { key: 'Delete', does: 'empty the held cells' },
  { key: 'Ctrl Z', does: 'take the last change back' },
] as const;
