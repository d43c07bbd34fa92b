import { useState } from 'react';
import { ask, refusalOf } from '../server/index.ts';

interface Rules {
  readonly another: boolean;
  readonly stockroom: boolean;
}

const WORDS: Readonly<Record<keyof Rules, string>> = {
  another: 'What somebody wrote is approved by somebody else, once it was submitted',
  stockroom:
    'Regular prices, and what changes the goods or places of an approved promotion, wait for approval too',
};

/** How the chain wants its people to work; each switch counts at once. */
export function WorkRules({ rules }: { rules: Rules }) {
  const [now, setNow] = useState(rules);
  const [said, setSaid] = useState('');
  async function change(more: Partial<Rules>) {
    setNow({ ...now, ...more });
    try {
      // What somebody else has switched meanwhile stays as they left it.
      const { another, stockroom } = await ask<Rules>('/api/work-rules', { method: 'PUT', body: more });
      setNow({ another, stockroom });
      setSaid('Kept.');
    } catch (error) {
      setNow(now);
      setSaid(refusalOf(error).message);
    }
  }
  return (
    <fieldset className="mt-2 space-y-2 text-sm">
      <legend className="sr-only">Approval</legend>
      {(Object.keys(WORDS) as (keyof Rules)[]).map((key) => (
        <label key={key} className="flex items-start gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm mt-0.5"
            checked={now[key]}
            onChange={(event) => change({ [key]: event.target.checked })}
          />
          {WORDS[key]}
        </label>
      ))}
      <p role="status">{said}</p>
    </fieldset>
  );
}
