import { Notice } from '../../ui/pieces/index.ts';
import type { Refusal } from '../server/index.ts';

const SHOWN = 6;

/** What was refused, cell by cell. */
export function TableRefused({
  refusal,
  onGiveUp,
}: {
  refusal: Refusal;
  /** Puts back what was there; null: nothing was typed. */
  onGiveUp: (() => void) | null;
}) {
  const rest = refusal.faults.length - SHOWN;
  return (
    <Notice tone="trouble">
      <p>
        {refusal.message}{' '}
        {onGiveUp ? (
          <>
            What you typed is still in the cells, underlined.{' '}
            <button type="button" className="link" onClick={onGiveUp}>
              Put back what was there
            </button>
          </>
        ) : null}
      </p>
      <ul>
        {refusal.faults.slice(0, SHOWN).map(({ path, message }) => (
          <li key={path + message}>{message}</li>
        ))}
      </ul>
      {rest > 0 ? <p className="quiet">and {rest} more</p> : null}
    </Notice>
  );
}
