import { X } from 'lucide-react';
import { useState } from 'react';
import type { Draft } from '../draft/draft.ts';

const DEFAULT = 'default';
type Texts = Record<string, string>;

/** Nothing typed is nothing said: an empty label would stand on the receipt as one. */
function withTexts(draft: Draft, key: 'label' | 'badge', texts: Texts): Draft {
  const { [key]: _, ...rest } = draft;
  const kept = Object.fromEntries(Object.entries(texts).filter(([, text]) => text !== ''));
  return (Object.keys(kept).length === 0 ? rest : { ...rest, [key]: kept }) as Draft;
}

function withNotes({ notes: _, ...draft }: Draft, text: string): Draft {
  return text === '' ? draft : { ...draft, notes: text };
}

/** What shoppers read, in each language; a few words for the shelf tag; notes for colleagues. */
export function WordsPart({ draft, onChange }: { draft: Draft; onChange: (draft: Draft) => void }) {
  const [languages, setLanguages] = useState(() => [
    ...new Set(
      [...Object.keys(draft.label ?? {}), ...Object.keys(draft.badge ?? {})].filter((one) => one !== DEFAULT),
    ),
  ]);
  const [adding, setAdding] = useState('');
  const known = /^[a-z]{2}(-[A-Z]{2})?$/.test(adding) && !languages.includes(adding);
  const drop = (language: string) => {
    const { [language]: _, ...label } = draft.label ?? {};
    const { [language]: __, ...badge } = draft.badge ?? {};
    setLanguages(languages.filter((one) => one !== language));
    onChange(withTexts(withTexts(draft, 'label', label), 'badge', badge));
  };
  return (
    <span className="block space-y-3 text-sm">
      {[DEFAULT, ...languages].map((language) => (
        <span key={language} className="block space-y-1">
          {language === DEFAULT ? null : (
            <span className="flex items-baseline">
              <strong className="font-medium">{language}</strong>
              <button type="button" className="btn btn-ghost btn-xs ml-auto" onClick={() => drop(language)}>
                <X size={13} aria-label={`take the words in ${language} away`} />
              </button>
            </span>
          )}
          <Words
            label="What shoppers read"
            value={draft.label?.[language] ?? ''}
            onChange={(text) => onChange(withTexts(draft, 'label', { ...draft.label, [language]: text }))}
          />
          <Words
            label="A few words on the shelf tag"
            value={draft.badge?.[language] ?? ''}
            onChange={(text) => onChange(withTexts(draft, 'badge', { ...draft.badge, [language]: text }))}
          />
        </span>
      ))}
      <span className="flex items-center gap-1.5">
        <input
          className="input input-xs w-20"
          aria-label="Another language, such as pt or pt-PT"
          placeholder="pt, es …"
          value={adding}
          onChange={(event) => setAdding(event.target.value.trim())}
        />
        <button
          type="button"
          className="btn btn-xs"
          disabled={!known}
          onClick={() => {
            setLanguages([...languages, adding]);
            setAdding('');
          }}
        >
          Another language
        </button>
      </span>
      <label className="block">
        Notes for colleagues
        <textarea
          className="textarea textarea-sm mt-0.5 w-full"
          rows={4}
          value={draft.notes ?? ''}
          onChange={(event) => onChange(withNotes(draft, event.target.value))}
        />
      </label>
    </span>
  );
}

function Words({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
}) {
  return (
    <label className="block">
      {label}
      <input
        className="input input-sm mt-0.5 w-full"
        maxLength={200}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </label>
  );
}
