import { useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Notice } from '../../ui/pieces/index.ts';
import { ask, readAnew, refusalOf } from '../server/index.ts';

/** Something that is done at a press of a button. */
export interface Deed {
  /** What the button says. */
  readonly words: string;
  /** What it does, said before it is done, and what the button for that says; null: it is done at once. */
  readonly first: { readonly does: string; readonly go: string } | null;
  readonly path: string;
  readonly method?: 'POST' | 'DELETE';
  readonly body: object;
  /** What is said once it is done. */
  readonly told: (answer: never) => ReactNode;
}

/** Buttons that do something grave, each after it was said what that is. */
export function Deeds({ deeds }: { deeds: readonly Deed[] }) {
  const { deed, told, tone, busy, choose, carryOut } = useDeed();
  if (deeds.length === 0) return null;
  return (
    <>
      <div className="mt-3 flex flex-wrap gap-2">
        {deeds.map((one) => (
          <button
            key={one.words}
            type="button"
            className="btn btn-sm"
            aria-expanded={one.first ? deed?.words === one.words : undefined}
            disabled={busy}
            onClick={() => (one.first ? choose(deed?.words === one.words ? null : one) : carryOut(one))}
          >
            {one.words}
          </button>
        ))}
      </div>
      {deed ? (
        <Notice tone="care" className="mt-3 max-w-3xl">
          <p>{deed.first!.does}</p>
          <div className="mt-2 flex gap-2">
            <button
              type="button"
              className="btn btn-primary btn-sm"
              disabled={busy}
              onClick={() => carryOut(deed)}
            >
              {deed.first!.go}
            </button>
            <button type="button" className="btn btn-sm" disabled={busy} onClick={() => choose(null)}>
              Leave it
            </button>
          </div>
        </Notice>
      ) : null}
      {told ? (
        <Notice tone={tone} className="mt-3 max-w-3xl">
          {told}
        </Notice>
      ) : null}
    </>
  );
}

function useDeed() {
  const client = useQueryClient();
  const [deed, setDeed] = useState<Deed | null>(null);
  const [told, setTold] = useState<ReactNode>(null);
  const [tone, setTone] = useState<'trouble' | 'news'>('news');
  const [busy, setBusy] = useState(false);
  async function carryOut({ path, method = 'POST', body, told: words }: Deed): Promise<void> {
    setBusy(true);
    try {
      const answer = await ask<never>(path, { method, body });
      setTone('news');
      setTold(words(answer));
      setDeed(null);
    } catch (error) {
      setTone('trouble');
      setTold(refusalOf(error).message);
    }
    setBusy(false);
    await readAnew(client);
  }
  const choose = (one: Deed | null) => {
    setDeed(one);
    setTold(null);
  };
  return { deed, told, tone, busy, choose, carryOut };
}
