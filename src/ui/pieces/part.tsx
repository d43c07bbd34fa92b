import { type ReactNode, useEffect, useId, useRef, useState } from 'react';
import { useOutsidePress } from './use-outside-press.ts';

/**
 * A part of a sentence that is pressed to change it in its place: the words, and a small panel under them.
 * The panel closes with Escape, with a press elsewhere, or when `children` calls `close`.
 */
export function Part({
  words,
  name,
  wide = false,
  invalid = null,
  startOpen = false,
  children,
}: {
  words: ReactNode;
  /** What this part says, for a screen reader. */
  name: string;
  wide?: boolean;
  invalid?: string | null;
  startOpen?: boolean;
  children: (close: () => void) => ReactNode;
}) {
  const [open, setOpen] = useState(startOpen);
  const root = useRef<HTMLSpanElement>(null);
  const button = useRef<HTMLSpanElement>(null);
  const id = useId();
  const close = () => {
    setOpen(false);
    button.current?.focus();
  };
  useOutsidePress(root, open, () => setOpen(false));
  useEffect(() => {
    const panel = open ? root.current?.querySelector('[data-panel]') : null;
    const first =
      panel?.querySelector<HTMLElement>('[cmdk-input]') ??
      panel?.querySelector<HTMLElement>('input, select, textarea, button, [tabindex]');
    first?.focus();
    if (panel) keepInColumn(panel as HTMLElement);
  }, [open]);
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: Escape from anywhere inside closes the panel.
    <span
      ref={root}
      className="relative inline"
      onKeyDown={(event) => {
        if (event.key === 'Escape' && open) {
          event.stopPropagation();
          close();
        }
      }}
    >
      {/* biome-ignore lint/a11y/useSemanticElements: a button element is one box and would not break over lines as a sentence does. */}
      <span
        ref={button}
        role="button"
        tabIndex={0}
        className={`part ${invalid ? 'text-error' : ''}`}
        aria-expanded={open}
        aria-controls={open ? id : undefined}
        aria-describedby={invalid ? `${id}-fault` : undefined}
        onClick={() => setOpen(!open)}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== ' ') return;
          event.preventDefault();
          setOpen(!open);
        }}
      >
        <span className="sr-only">{name}: </span>
        {words}
      </span>
      {invalid ? (
        <span id={`${id}-fault`} className="mt-0.5 block font-sans text-error text-sm" role="alert">
          {invalid}
        </span>
      ) : null}
      {open ? (
        <span
          id={id}
          data-panel=""
          className={`absolute top-full left-0 z-30 mt-1 block max-sm:fixed max-sm:inset-x-2 max-sm:top-auto max-sm:bottom-16 max-sm:w-auto max-sm:max-h-[60vh] max-sm:overflow-y-auto rounded-box border border-base-content/25 bg-base-100 p-3 font-sans text-base leading-normal shadow-lg ${wide ? 'w-96' : 'w-72'} max-h-[70vh] overflow-y-auto max-w-[calc(100vw-2rem)]`}
        >
          {children(close)}
        </span>
      ) : null}
    </span>
  );
}

/** What stands beside the sentence is read while a part is changed: its panel does not lie over it. */
function keepInColumn(panel: HTMLElement): void {
  const column = panel.closest('[data-column]')?.getBoundingClientRect();
  if (!column) return;
  const { left, right } = panel.getBoundingClientRect();
  const over = Math.min(right - column.right, left - column.left);
  if (over > 0) panel.style.marginLeft = `${-over}px`;
}
