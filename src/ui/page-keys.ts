/** What the keys of every page ask for: go anywhere, or see the keys of this page. */
export type Asked = 'palette' | 'keys';

/** What a key press asks for; keys that are text being typed ask for nothing. A slash goes to the page's own search. */
export function askedBy(event: KeyboardEvent): Asked | null {
  if (event.key.toLowerCase() === 'k' && (event.ctrlKey || event.metaKey)) return 'palette';
  const typing = (event.target as Partial<HTMLElement>).closest?.(
    'input, textarea, select, [contenteditable]',
  );
  if (typing || event.ctrlKey || event.metaKey || event.altKey) return null;
  if (event.key === '?') return 'keys';
  if (event.key !== '/') return null;
  const search = document.querySelector<HTMLElement>('main [data-search]');
  if (!search) return 'palette';
  search.focus();
  event.preventDefault();
  return null;
}

/** Tells that these keys are listened to by what answers them; what was pressed before that is said again then. */
export const KEYS_ANSWER = 'belltag:keys-answer';
