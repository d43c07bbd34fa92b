import { useState } from 'react';
import { idInAddress } from '../../contracts/index.ts';
import { type LensView, lensQuery } from '../../contracts/view/index.ts';
import { shortMoment } from '../../ui/writing/index.ts';
import { ask, refusalOf } from '../server/index.ts';
import type { Opened } from './desk.ts';

/** Do it again: a copy with new dates, the same next week, a template to begin others from; or end what runs. */
export function Again({ kept, view, onEnded }: { kept: Opened; view: LensView; onEnded: () => void }) {
  const [said, setSaid] = useState<React.ReactNode>(null);
  const { id, name, when, status } = kept.promotion;
  const query = (more: Record<string, string>) => lensQuery(view.lens, more);
  const attempt = async (work: () => Promise<React.ReactNode>) => {
    try {
      setSaid(await work());
    } catch (error) {
      const { message, faults } = refusalOf(error);
      setSaid(`${message} ${faults.map((fault) => fault.message).join('; ')}`);
    }
  };
  const again = () =>
    attempt(async () => {
      const body = { ids: [id], action: 'again', days: 7, store: view.store.id };
      const { ids } = await ask<{ ids: string[] }>('/api/promotions/many', { method: 'POST', body });
      return (
        <>
          A draft for next week is there:{' '}
          <a className="link" href={`/plan/${idInAddress(ids[0]!)}${lensQuery(view.lens)}`}>
            open it
          </a>
          .
        </>
      );
    });
  const template = () =>
    attempt(async () => {
      await ask('/api/templates', { method: 'POST', body: { name, promotion: kept.promotion } });
      return `Kept as the template “${name}”; new price changes can begin from it.`;
    });
  const end = () =>
    attempt(async () => {
      await ask('/api/promotions/many', {
        method: 'POST',
        body: { ids: [id], action: 'end-now', store: view.store.id },
      });
      onEnded();
      return 'Ended. The tills hear of it with the next sending.';
    });
  const runs = status === 'approved' && when.from < view.now && (when.to === undefined || when.to > view.now);
  return (
    <div className="mt-3 text-sm">
      <p className="flex flex-wrap gap-x-4 gap-y-1">
        <a className="link" href={`/plan/new${query({ copy: id })}`}>
          Copy with new dates
        </a>
        <button type="button" className="link" onClick={again}>
          Same again next week
        </button>
        <button type="button" className="link" onClick={template}>
          Keep as a template
        </button>
        {runs ? (
          <button
            type="button"
            className="link"
            title={`at ${shortMoment(view.now, view.now)} in ${view.store.name}`}
            onClick={end}
          >
            End it now
          </button>
        ) : null}
      </p>
      <p role="status">{said}</p>
    </div>
  );
}
