import { type ReactNode, useId } from 'react';
import { Panel, Panels, usePanel } from './panel.tsx';

interface PartProps {
  readonly words: ReactNode;
  /** What this part says, for a screen reader. */
  readonly name: string;
  readonly wide?: boolean;
  readonly invalid?: string | null;
  readonly startOpen?: boolean;
  readonly children: (close: () => void) => ReactNode;
}

/**
 * A part of a sentence that is pressed to change it in its place: the words, and a small panel under them.
 * The panel closes with Escape, with a press elsewhere, or when `children` calls `close`.
 */
export function Part(props: PartProps) {
  return (
    <Panels>
      <Pressed {...props} />
    </Panels>
  );
}

function Pressed({ words, name, wide = false, invalid = null, startOpen = false, children }: PartProps) {
  const at = usePanel(startOpen);
  const { open, setOpen, refs } = at;
  const id = useId();
  const toggle = () => setOpen(!open);
  return (
    <>
      {/* biome-ignore lint/a11y/useSemanticElements: a button element is one box and would not break over lines as a sentence does. */}
      <span
        ref={refs.setReference}
        role="button"
        tabIndex={0}
        className={`part ${invalid ? 'text-error' : ''}`}
        aria-expanded={open}
        aria-controls={open ? id : undefined}
        aria-describedby={invalid ? `${id}-fault` : undefined}
        {...at.getReferenceProps({
          onClick: toggle,
          onKeyDown(event) {
            if (event.key !== 'Enter' && event.key !== ' ') return;
            event.preventDefault();
            toggle();
          },
        })}
      >
        <span className="sr-only">{name}: </span>
        {words}
      </span>
      {invalid ? (
        <span id={`${id}-fault`} className="mt-0.5 block font-sans text-error text-sm" role="alert">
          {invalid}
        </span>
      ) : null}
      <Panel
        at={at}
        name={name}
        id={id}
        className={`rounded-box border border-base-content/25 bg-base-100 p-3 font-sans text-base leading-normal shadow-lg ${wide ? 'w-96' : 'w-72'}`}
      >
        {open ? children(() => setOpen(false)) : null}
      </Panel>
    </>
  );
}
