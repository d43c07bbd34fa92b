import { dequal } from 'dequal/lite';
import { useState } from 'react';
import { ask, refusalOf, refusalWords } from '../server/index.ts';

interface Clash<T> {
  readonly clashing: readonly (keyof T & string)[];
  readonly standing: T;
}

export interface Settings<T> {
  readonly value: T;
  /** Another one whenever what stands is not what was typed: fields that keep what is typed begin anew by it. */
  readonly round: number;
  readonly typed: (more: Partial<T>) => void;
  readonly said: string;
  readonly refused: string;
  /** What somebody else made of the same ones meanwhile; null: nothing. */
  readonly clash: Clash<T> | null;
  readonly save: () => Promise<void>;
  /** Goes on from what stands, with one's own or with theirs where both changed the same. */
  readonly settle: (whose: 'mine' | 'theirs') => void;
}

/** Settings that are kept together, and may be changed by somebody else at the same time: what each changed stays. */
export function useSettings<T extends object>(path: string, first: T): Settings<T> {
  const [was, setWas] = useState(first);
  const [value, setValue] = useState(first);
  const [round, setRound] = useState(0);
  const [said, setSaid] = useState('');
  const [refused, setRefused] = useState('');
  const [clash, setClash] = useState<Clash<T> | null>(null);
  const forget = () => {
    setSaid('');
    setRefused('');
    setClash(null);
  };
  async function keep(wanted: T, from: T): Promise<void> {
    forget();
    try {
      const kept = await ask<T>(path, { method: 'PUT', body: { ...wanted, was: from } });
      setWas(kept);
      setValue(kept);
      if (!dequal(kept, value)) setRound((before) => before + 1);
      setSaid(dequal(kept, wanted) ? 'Kept.' : 'Kept, beside what somebody else changed meanwhile.');
    } catch (error) {
      const refusal = refusalOf(error);
      const current = refusal.current as Clash<T> | undefined;
      if (current?.clashing) setClash(current);
      else setRefused(refusalWords(refusal));
    }
  }
  return {
    ...{ value, round, said, refused, clash },
    typed(more) {
      forget();
      setValue({ ...value, ...more });
    },
    save: () => keep(value, was),
    settle(whose) {
      if (!clash) return;
      const { clashing, standing } = clash;
      const theirs = Object.fromEntries(clashing.map((key) => [key, standing[key]])) as Partial<T>;
      // From here on only what both changed is looked at anew: what they left alone is still from the beginning.
      void keep(whose === 'mine' ? value : { ...value, ...theirs }, { ...was, ...theirs });
    },
  };
}
