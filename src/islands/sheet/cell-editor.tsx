import { useRef, useState } from 'react';

/** The field in which one cell is typed. Enter, Tab and a press elsewhere keep the text; Escape does not. */
export function CellEditor({
  begin,
  figure,
  name,
  onLeave,
}: {
  begin: string;
  figure: boolean;
  name: string;
  onLeave: (text: string | null, key: 'ArrowDown' | 'ArrowRight' | 'ArrowLeft' | null) => void;
}) {
  const [text, setText] = useState(begin);
  // Leaving by a key takes the focus away, which would be heard as leaving once more.
  const left = useRef(false);
  const leave: typeof onLeave = (kept, key) => {
    if (left.current) return;
    left.current = true;
    onLeave(kept, key);
  };
  return (
    <input
      // biome-ignore lint/a11y/noAutofocus: it stands where the person is typing already.
      autoFocus
      className={`w-full bg-transparent outline-none ${figure ? 'text-right' : ''}`}
      aria-label={name}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => leave(text, null)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Escape') return leave(null, null);
        if (event.key === 'Enter') return leave(text, 'ArrowDown');
        if (event.key !== 'Tab') return;
        event.preventDefault();
        leave(text, event.shiftKey ? 'ArrowLeft' : 'ArrowRight');
      }}
    />
  );
}
