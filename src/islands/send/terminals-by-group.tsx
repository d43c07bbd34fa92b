import { TERMINAL_TROUBLES, type TerminalRow, type TerminalsView } from '../../contracts/view/index.ts';
import { TROUBLE_HEADS } from '../../ui/words/index.ts';
import { saidCount } from '../../ui/writing/index.ts';

type Group = TerminalsView['groups'][number];

/** How the terminals of each store group stand, at one glance; pressed, a group is all that is looked at. */
export function TerminalsByGroup({
  view,
  chosen,
  onChoose,
}: {
  view: TerminalsView;
  chosen: string | null;
  onChoose: (group: string | null) => void;
}) {
  const troubles = TERMINAL_TROUBLES.filter((trouble) =>
    view.terminals.some((one) => one.trouble === trouble),
  );
  if (view.groups.length === 0) return null;
  return (
    <table className="rows mt-3 text-sm">
      <caption className="sr-only">Terminals by store group</caption>
      <thead>
        <tr>
          <th>Store group</th>
          <th className="figure">Terminals</th>
          <th className="figure">Up to date</th>
          {troubles.map((trouble) => (
            <th key={trouble} className="figure">
              {TROUBLE_HEADS[trouble]}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {view.groups.map((group) => {
          const own = terminalsOf(view, group);
          const count = (trouble: TerminalRow['trouble']) =>
            own.filter((one) => one.trouble === trouble).length;
          return (
            <tr key={group.id} className={chosen === group.id ? 'bg-base-200' : ''}>
              <th scope="row" className="font-normal">
                <button
                  type="button"
                  className="link text-left"
                  aria-pressed={chosen === group.id}
                  onClick={() => onChoose(chosen === group.id ? null : group.id)}
                >
                  {group.name}
                </button>
              </th>
              <td className="figure">{saidCount(own.length)}</td>
              <td className="figure">{saidCount(count(null))}</td>
              {troubles.map((trouble) => (
                <td key={trouble} className={`figure ${count(trouble) > 0 ? 'text-error font-medium' : ''}`}>
                  {count(trouble) === 0 ? '' : saidCount(count(trouble))}
                </td>
              ))}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function terminalsOf({ terminals }: TerminalsView, { stores }: Group): readonly TerminalRow[] {
  const own = new Set(stores);
  return terminals.filter(({ store }) => own.has(store));
}
