import { useState } from 'react';
import { ask, refusalOf } from '../server/index.ts';

/** What is switched on or off for the whole chain. */
export interface Switches {
  readonly another: boolean;
  readonly stockroom: boolean;
  readonly tagsTellLowest: boolean;
}

const WORDS = {
  Approval: {
    another: 'What somebody wrote is approved by somebody else, once it was submitted',
    stockroom:
      'Regular prices, and what changes the goods or places of an approved promotion, wait for approval too',
  },
  'Shelf tags': {
    tagsTellLowest: 'Where something is reduced, its tag tells the lowest price of the 30 days before',
  },
} satisfies Record<string, Partial<Record<keyof Switches, string>>>;

/** Some of the rules by which the chain works; each switch counts at once. */
export function WorkRules({ rules, of }: { rules: Switches; of: keyof typeof WORDS }) {
  const [now, setNow] = useState(rules);
  const [said, setSaid] = useState('');
  async function change(more: Partial<Switches>) {
    setNow({ ...now, ...more });
    try {
      // What somebody else has switched meanwhile stays as they left it.
      setNow(await ask<Switches>('/api/work-rules', { method: 'PUT', body: more }));
      setSaid('Kept.');
    } catch (error) {
      setNow(now);
      setSaid(refusalOf(error).message);
    }
  }
  return (
    <fieldset className="mt-2 space-y-2 text-sm">
      <legend className="sr-only">{of}</legend>
      {(Object.entries(WORDS[of]) as [keyof Switches, string][]).map(([key, words]) => (
        <label key={key} className="flex items-start gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm mt-0.5"
            checked={now[key]}
            onChange={(event) => change({ [key]: event.target.checked })}
          />
          {words}
        </label>
      ))}
      <p role="status">{said}</p>
    </fieldset>
  );
}
