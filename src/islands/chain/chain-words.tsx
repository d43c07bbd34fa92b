import { useState } from 'react';
import type { ChainWords } from '../../contracts/view/index.ts';
import { Notice } from '../../ui/pieces/index.ts';
import { type ClashWords, SettingsClash } from './settings-clash.tsx';
import { useSettings } from './use-settings.ts';

const LABELS: Readonly<Record<keyof ChainWords, string>> = {
  payments: 'Ways to pay',
  deliveries: 'Ways of delivery',
  regions: 'Regions it is delivered to',
  linkTags: 'Tags of links',
};
const KEYS = Object.keys(LABELS) as (keyof ChainWords)[];

const linesOf = (text: string): string[] => [
  ...new Set(
    text
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean),
  ),
];

const CLASH_WORDS = Object.fromEntries(
  KEYS.map((key) => [key, [LABELS[key], (words: readonly string[]) => words.join(', ') || 'none']]),
) as unknown as ClashWords<ChainWords>;

/** The words that deals can ask for, one a line: they are chosen from there and typed nowhere else. */
export function ChainWordsForm({ words }: { words: ChainWords }) {
  const settings = useSettings('/api/chain-words', words);
  const { value, typed, said, refused } = settings;
  // As they are typed: an empty line is one until they are kept.
  const [texts, setTexts] = useState<Partial<Record<keyof ChainWords, string>>>({});
  return (
    <form
      aria-labelledby="words"
      className="mt-2 space-y-3 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        setTexts({});
        void settings.save();
      }}
    >
      <p className="quiet">As the tills write them, one a line.</p>
      {KEYS.map((key) => (
        <label key={key} className="block">
          {LABELS[key]}
          <textarea
            className="textarea textarea-sm mt-0.5 w-full"
            rows={4}
            value={texts[key] ?? value[key].join('\n')}
            onChange={({ target }) => {
              setTexts({ ...texts, [key]: target.value });
              typed({ [key]: linesOf(target.value) });
            }}
          />
        </label>
      ))}
      <SettingsClash settings={settings} words={CLASH_WORDS} />
      {refused ? <Notice tone="trouble">{refused}</Notice> : null}
      <button type="submit" className="btn btn-sm">
        Keep these words
      </button>
      <p role="status">{said}</p>
    </form>
  );
}
