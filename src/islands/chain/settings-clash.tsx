import { Notice } from '../../ui/pieces/index.ts';
import type { Settings } from './use-settings.ts';

export type ClashWords<T> = { readonly [K in keyof T]: readonly [string, (value: T[K]) => string] };

/** What somebody else made of the same settings, and whose is to stand. @param words for each setting what it is called, and how what stands is told. */
export function SettingsClash<T extends object>({
  settings: { clash, settle },
  words,
}: {
  settings: Settings<T>;
  words: ClashWords<T>;
}) {
  if (!clash) return null;
  return (
    <Notice tone="trouble">
      <p>Somebody else changed the same after you opened it. Nothing is kept yet. As they left it:</p>
      <ul className="my-1 list-disc pl-5">
        {clash.clashing.map((key) => (
          <li key={key}>
            {words[key][0]}: {words[key][1](clash.standing[key])}
          </li>
        ))}
      </ul>
      <p className="flex flex-wrap gap-2">
        <button type="button" className="btn btn-sm" onClick={() => settle('theirs')}>
          Leave that as it is, keep the rest
        </button>
        <button type="button" className="btn btn-sm" onClick={() => settle('mine')}>
          Keep mine instead
        </button>
      </p>
    </Notice>
  );
}
