import { Command } from 'cmdk';
import { Check } from 'lucide-react';
import { useState } from 'react';
import { usePendingEnter } from './use-pending-enter.ts';

export interface Pickable {
  readonly value: string;
  readonly label: string;
  /** Said after the label, quieter. */
  readonly note?: string;
  readonly kind: string;
}

/** A list to search in by typing and to choose from, by mouse or keys. */
export function PickList({
  name,
  options,
  chosen,
  onPick,
  onSearch,
  settled = true,
}: {
  name: string;
  options: readonly Pickable[];
  chosen: readonly string[];
  onPick: (value: string) => void;
  /** Where the options come from a search elsewhere; the list itself does not filter then. */
  onSearch?: (text: string) => void;
  /** Whether the options are those of the text that stands in the box. */
  settled?: boolean;
}) {
  const [text, setText] = useState('');
  const enter = usePendingEnter(text, settled, () => {
    const typed = text.trim().toLowerCase();
    const is = (one: string | undefined) => one?.toLowerCase() === typed;
    const numbered = options.find(({ value, note }) => is(value) || is(note));
    const named = options.filter(({ label }) => is(label));
    const only = named.length === 1 ? named : options;
    const meant = numbered ?? (only.length === 1 ? only[0] : undefined);
    if (meant) onPick(meant.value);
  });
  const kinds = [...new Set(options.map(({ kind }) => kind))];
  return (
    <Command label={name} shouldFilter={!onSearch} loop onKeyDown={enter}>
      <Command.Input
        placeholder="Type to find …"
        // Whoever opened the list goes on typing.
        autoFocus
        className="input input-sm w-full"
        aria-label={`Find: ${name}`}
        value={text}
        onValueChange={(next) => {
          setText(next);
          onSearch?.(next);
        }}
      />
      <Command.List className="relative mt-2 max-h-64 overflow-y-auto" tabIndex={0}>
        <Command.Empty className="quiet px-2 py-1 text-sm">Nothing by that name.</Command.Empty>
        {kinds.map((kind) => (
          <Command.Group
            key={kind}
            heading={kind}
            className="[&_[cmdk-group-heading]]:quiet [&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-xs"
          >
            {options
              .filter((option) => option.kind === kind)
              .map((option) => (
                <Command.Item
                  key={option.value}
                  value={`${option.label} ${option.note ?? ''} ${option.value}`}
                  onSelect={() => onPick(option.value)}
                  className="flex cursor-pointer items-baseline gap-2 rounded-field px-2 py-1 data-[selected=true]:bg-accent data-[selected=true]:text-accent-content"
                >
                  <span className="w-4 flex-none">
                    {chosen.includes(option.value) ? <Check size={14} aria-label="chosen" /> : null}
                  </span>
                  <span className="flex-1">{option.label}</span>
                  {option.note ? <span className="text-xs opacity-80">{option.note}</span> : null}
                </Command.Item>
              ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  );
}
