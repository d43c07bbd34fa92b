/** The keys of the deal sentence editor, as the list of keys shows them. */
export const EDITOR_KEYS = [
  { key: 'Enter', does: 'open the part of the sentence in focus' },
  { key: 'Ctrl S', does: 'save' },
  { key: 'Ctrl Z', does: 'take the last change back' },
  { key: 'Ctrl Y', does: 'do it after all' },
] as const;
