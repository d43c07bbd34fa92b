import type { Difference } from '../../core/sentence/index.ts';

/** What two states say otherwise, one beside the other. */
export function Differences({
  of,
  heads = ['Before', 'After'],
}: {
  of: readonly Difference[];
  heads?: [string, string];
}) {
  return (
    <table className="rows text-sm">
      <thead>
        <tr>
          <th>What</th>
          <th>{heads[0]}</th>
          <th>{heads[1]}</th>
        </tr>
      </thead>
      <tbody>
        {of.map(({ what, before, after }) => (
          <tr key={what}>
            <th scope="row" className="font-normal">
              {what}
            </th>
            <td className="quiet">{before}</td>
            <td className="font-medium">{after}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
