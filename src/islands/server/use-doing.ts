import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { type Refusal, refusalOf } from './ask.ts';
import { readAnew } from './read-anew.ts';

export interface Doing {
  /** Whether something is under way. */
  readonly busy: boolean;
  /** What was done last. */
  readonly said: string;
  /** Why the last thing was refused. */
  readonly refusal: Refusal | null;
  /** Does something and says so, in the words that it comes back with; what was read before is read anew. @returns whether it was done. */
  readonly doing: (work: () => Promise<string>) => Promise<boolean>;
  readonly forgetRefusal: () => void;
}

/** What is done from a desk, one thing after another. @param key of what is read anew then; absent: of everything. */
export function useDoing(key?: readonly unknown[]): Doing {
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState('');
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  async function doing(work: () => Promise<string>): Promise<boolean> {
    setBusy(true);
    setRefusal(null);
    setSaid('');
    try {
      const words = await work();
      await readAnew(client, key ? { queryKey: key } : undefined);
      setSaid(words);
      return true;
    } catch (failure) {
      setRefusal(refusalOf(failure));
      return false;
    } finally {
      setBusy(false);
    }
  }
  return { busy, said, refusal, doing, forgetRefusal: () => setRefusal(null) };
}

/** The faults of a refusal in a row, or why it was refused where there are none. */
export const refusalWords = ({ faults, message }: Refusal): string =>
  faults.map((fault) => fault.message).join('; ') || message;
