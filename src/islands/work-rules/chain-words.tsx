import { useState } from 'react';
import type { ChainWords } from '../../contracts/view/index.ts';
import { ask, refusalOf } from '../server/index.ts';

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

/** The words that deals can ask for, one a line: they are chosen from there and typed nowhere else. */
export function ChainWordsForm({ words }: { words: ChainWords }) {
  const [texts, setTexts] = useState(() => KEYS.map((key) => words[key].join('\n')));
  const [said, setSaid] = useState('');
  async function save() {
    const body = Object.fromEntries(KEYS.map((key, i) => [key, linesOf(texts[i]!)]));
    try {
      await ask('/api/chain-words', { method: 'PUT', body });
      setSaid('Kept.');
    } catch (error) {
      const { message, faults } = refusalOf(error);
      setSaid([message, ...faults.map((fault) => fault.message)].join(' '));
    }
  }
  return (
    <form
      className="mt-2 space-y-3 text-sm"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <p className="quiet">As the tills write them, one a line.</p>
      {KEYS.map((key, i) => (
        <label key={key} className="block">
          {LABELS[key]}
          <textarea
            className="textarea textarea-sm mt-0.5 w-full"
            rows={4}
            value={texts[i]}
            onChange={(event) => setTexts(texts.with(i, event.target.value))}
          />
        </label>
      ))}
      <button type="submit" className="btn btn-sm">
        Keep these words
      </button>
      <p role="status">{said}</p>
    </form>
  );
}
