import {
  autoUpdate,
  FloatingFocusManager,
  FloatingNode,
  FloatingTree,
  flip,
  inline,
  offset,
  shift,
  size,
  useDismiss,
  useFloating,
  useFloatingNodeId,
  useFloatingParentNodeId,
  useInteractions,
} from '@floating-ui/react';
import { type ReactNode, useEffect, useState } from 'react';

/** Points between a panel and the edge of what it stays within. */
const EDGE = 8;

/** A panel as tall as fits beside what it was opened by, and no taller than this share of the window. */
const MOST_HEIGHT = 0.7;

/** What stands beside the sentence is read while a part is changed: its panel stays within the column. */
const within = (reference: unknown): Element | undefined =>
  (reference instanceof Element && reference.closest('[data-column]')) || undefined;

const MIDDLEWARE = [
  inline(),
  offset(4),
  flip({ padding: EDGE }),
  shift(({ elements }) => ({ boundary: within(elements.reference), padding: 0 })),
  size({
    padding: EDGE,
    apply({ availableHeight, elements }) {
      const most = Math.max(160, Math.min(availableHeight, window.innerHeight * MOST_HEIGHT));
      elements.floating.style.maxHeight = `${most}px`;
    },
  }),
];

/**
 * Whether a panel is open, and where: under what it is opened by, within the window. Escape and a press elsewhere close
 * it, the innermost one first. One within another stands in its place there.
 */
export function usePanel(startOpen = false) {
  const [open, setOpen] = useState(startOpen);
  const nodeId = useFloatingNodeId();
  const nested = useFloatingParentNodeId() !== null;
  const { refs, context, floatingStyles } = useFloating({
    ...(nodeId === undefined ? {} : { nodeId }),
    open,
    onOpenChange: setOpen,
    placement: 'bottom-start',
    whileElementsMounted: autoUpdate,
    middleware: nested ? [] : MIDDLEWARE,
  });
  const dismiss = useDismiss(context, { bubbles: { escapeKey: false, outsidePress: true } });
  const { getReferenceProps, getFloatingProps } = useInteractions([dismiss]);
  return {
    open,
    setOpen,
    nodeId,
    nested,
    refs,
    context,
    floatingStyles,
    getReferenceProps,
    getFloatingProps,
  };
}

export type PanelAt = ReturnType<typeof usePanel>;

/** Panels within each other know of each other by this; whatever uses {@link usePanel} stands in one. */
export function Panels({ children }: { children: ReactNode }) {
  const within = useFloatingParentNodeId();
  return within === null ? <FloatingTree>{children}</FloatingTree> : children;
}

/** What is opened: it takes the focus, and gives it back when it closes. */
export function Panel({
  at,
  name,
  id,
  className = '',
  children,
}: {
  at: PanelAt;
  /** What it is about, for a screen reader. */
  name: string;
  id: string;
  className?: string;
  children: ReactNode;
}) {
  const { open, nested, nodeId, refs, context, floatingStyles, getFloatingProps } = at;
  useEffect(() => {
    const panel = open ? refs.floating.current : null;
    // Something in it may have taken the focus by itself, as the day that is chosen in a calendar does.
    if (!panel || panel.contains(document.activeElement)) return;
    const first =
      panel.querySelector<HTMLElement>('[cmdk-input]') ??
      panel.querySelector<HTMLElement>('input, select, textarea, button, [tabindex="0"]');
    first?.focus({ preventScroll: true });
  }, [open, refs]);
  if (!open) return null;
  return (
    <FloatingNode id={nodeId}>
      <FloatingFocusManager context={context} modal={false} initialFocus={-1} closeOnFocusOut={false}>
        <span
          ref={refs.setFloating}
          id={id}
          role="dialog"
          aria-label={name}
          data-panel={nested ? undefined : ''}
          className={`block ${nested ? '' : FLOATS} ${className}`}
          style={nested ? undefined : floatingStyles}
          {...getFloatingProps()}
        >
          {children}
        </span>
      </FloatingFocusManager>
    </FloatingNode>
  );
}

/** On a phone it lies over the foot of the window instead. */
const FLOATS =
  'z-30 max-w-[calc(100vw-2rem)] overflow-y-auto max-sm:fixed! max-sm:inset-x-2! max-sm:top-auto! max-sm:bottom-16! max-sm:max-h-[60vh]! max-sm:w-auto max-sm:transform-none!';
