import { askedBy, KEYS_ANSWER } from './page-keys.ts';

type Load = () => Promise<() => Promise<void>>;

/**
 * A way for an island to come to life: when somebody points at it, touches it or goes to it by the keys, and not before.
 * A page that is only read loads no script for it. Presses until it answers are held by public/held.js.
 *
 * With `{ keys: true }` the keys of every page wake it too: the one that was pressed and what is typed after it are held
 * until it answers, so that somebody may press Ctrl K and go on typing.
 */
export default function touched(load: Load, { value }: { value?: unknown }, island: HTMLElement): void {
  const APPROACHES = ['pointerover', 'pointerdown', 'focusin'] as const;
  let under: Promise<void> | null = null;

  function wake(): Promise<void> {
    under ??= load()
      .then((hydrate) => hydrate())
      .then(
        () => {
          for (const name of APPROACHES) island.removeEventListener(name, approached);
        },
        (error) => {
          // Cut off: whoever comes near it again tries again.
          under = null;
          throw error;
        },
      );
    return under;
  }

  /** That nothing came is said in the console by then; the next approach tries again. */
  function approached(): void {
    wake().catch(() => {});
  }

  for (const name of APPROACHES) island.addEventListener(name, approached);
  if (island.contains(document.activeElement)) approached();
  if (typeof value === 'object' && value !== null && 'keys' in value) holdKeys(wake);
}

/** Wakes by the keys of the page, and says again what was pressed and typed meanwhile. */
function holdKeys(wake: () => Promise<void>): void {
  let first: KeyboardEvent | null = null;
  let typed = '';

  function listen(event: KeyboardEvent): void {
    if (first === null) {
      if (askedBy(event) === null) return;
      first = event;
      wake().catch(() => {
        first = null;
        typed = '';
      });
    } else if (event.key === 'Backspace') typed = typed.slice(0, -1);
    else if (event.key.length === 1 && !event.ctrlKey && !event.metaKey) typed += event.key;
    else return;
    event.preventDefault();
  }

  document.addEventListener('keydown', listen);
  document.addEventListener(
    KEYS_ANSWER,
    () => {
      document.removeEventListener('keydown', listen);
      if (first === null) return;
      const { key, ctrlKey, metaKey } = first;
      document.dispatchEvent(new KeyboardEvent('keydown', { key, ctrlKey, metaKey, cancelable: true }));
      const field = document.activeElement;
      if (typed === '' || !(field instanceof HTMLInputElement)) return;
      Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set?.call(field, typed);
      field.dispatchEvent(new Event('input', { bubbles: true }));
    },
    { once: true },
  );
}
