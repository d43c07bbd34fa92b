import { useQuery, useQueryClient } from '@tanstack/react-query';
import { idInAddress } from '../../contracts/index.ts';
import { type KeptDraft, type LensView, lensQuery, type TemplateView } from '../../contracts/view/index.ts';
import { ask, readAnew } from '../server/index.ts';

/** What the person was writing, and the templates that a new price change can begin from. */
export function Begin({ view }: { view: LensView }) {
  const client = useQueryClient();
  const drafts = useQuery({ queryKey: ['drafts'], queryFn: () => ask<KeptDraft[]>('/api/drafts') });
  const templates = useQuery({
    queryKey: ['templates'],
    queryFn: () => ask<TemplateView[]>('/api/templates'),
  });
  const drop = async (path: string, key: string) => {
    await ask(path, { method: 'DELETE', body: {} });
    await readAnew(client, { queryKey: [key] });
  };
  const nameOf = ({ draft }: KeptDraft) => (draft as { name?: string }).name || 'without a name';
  const pathOf = ({ key }: KeptDraft) =>
    key.startsWith('new-')
      ? `/plan/new${lensQuery(view.lens, { draft: key })}`
      : `/plan/${idInAddress(key)}${lensQuery(view.lens)}`;
  return (
    <>
      {(drafts.data ?? []).length > 0 ? (
        <p className="mt-2 text-sm">
          You were writing:{' '}
          {drafts.data!.slice(0, 5).map((draft, i) => (
            <span key={draft.key}>
              {i > 0 ? ', ' : ''}
              <a className="link" href={pathOf(draft)}>
                {nameOf(draft)}
              </a>{' '}
              <button
                type="button"
                className="btn btn-ghost btn-xs px-1"
                onClick={() => drop(`/api/drafts/${idInAddress(draft.key)}`, 'drafts')}
              >
                put aside<span className="sr-only"> {nameOf(draft)}</span>
              </button>
            </span>
          ))}
        </p>
      ) : null}
      {(templates.data ?? []).length > 0 ? (
        <details className="mt-2 text-sm">
          <summary className="cursor-pointer underline decoration-dotted underline-offset-4">
            Begin from a template ({templates.data!.length})
          </summary>
          <ul className="mt-1">
            {templates.data!.map(({ id, name, sentence }) => (
              <li key={id} className="flex gap-3 border-base-300 border-b py-1">
                <a className="link" href={`/plan/new${lensQuery(view.lens, { template: String(id) })}`}>
                  {name}
                </a>
                <span className="quiet line-clamp-1 flex-1">{sentence}</span>
                <button
                  type="button"
                  className="link"
                  onClick={() => drop(`/api/templates/${id}`, 'templates')}
                >
                  throw away<span className="sr-only"> {name}</span>
                </button>
              </li>
            ))}
          </ul>
        </details>
      ) : null}
    </>
  );
}
