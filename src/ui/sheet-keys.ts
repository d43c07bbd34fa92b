/** The keys of a sheet of cells, as the list of keys shows them. */
export const SHEET_KEYS = [
  { key: 'arrows', does: 'move over the cells; with Shift, hold several' },
  { key: 'Enter', does: 'change the cell; typing does so too' },
  { key: 'Tab', does: 'keep what was typed and go on to the right' },
  { key: 'Ctrl C, X, V', does: 'copy, cut and paste cells, also from and to a spreadsheet' },
  { key: 'Ctrl D', does: 'fill the held cells with the topmost' },
  {
    key: 'Delete',
    does: 'empty the held cells; in a worksheet, elsewhere than in New and Cost, take the lines out',
  },
  { key: 'Ctrl Z', does: 'take the last change back' },
  { key: 'Ctrl Y', does: 'do it after all, in a worksheet' },
] as const;

/** The keys of a sheet that is looked at and not typed into. */
export const GRID_KEYS = [
  { key: 'arrows', does: 'move over the prices; with Shift, hold several' },
  { key: 'Enter', does: 'open the item in the store of the column, and why it costs that' },
  { key: 'Ctrl C', does: 'copy the held cells, for a spreadsheet' },
] as const;

/** The keys of prices over time. */
export const TIMELINE_KEYS = [
  { key: 'arrows', does: 'go from step to step, and to the same time in another row' },
  { key: 'Home, End', does: 'go to the first and the last step' },
] as const;
