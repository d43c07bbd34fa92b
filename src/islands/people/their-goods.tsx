import type { DepartmentRow } from '../../contracts/view/index.ts';

/** The departments whose goods alone somebody may change; none chosen: all. */
export function TheirGoods({
  chosen,
  departments,
  fault,
  onDepartment,
}: {
  chosen: readonly string[];
  departments: readonly DepartmentRow[];
  fault: string | null;
  onDepartment: (id: string, theirs: boolean) => void;
}) {
  const names = departments.filter(({ id }) => chosen.includes(id)).map(({ name }) => name);
  return (
    <fieldset className="md:col-span-2">
      <legend>
        Goods that they may change:{' '}
        {chosen.length === 0 ? 'all' : `of ${names.join(', ') || 'no department'} alone`}
      </legend>
      <div className="mt-1 max-h-64 overflow-y-auto">
        {departments.map(({ id, name, depth }) => (
          <label
            key={id}
            className="flex items-center gap-2 py-1"
            style={{ paddingInlineStart: `${depth * 1.25}rem` }}
          >
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={chosen.includes(id)}
              onChange={({ target }) => onDepartment(id, target.checked)}
            />
            {name}
          </label>
        ))}
      </div>
      {fault ? (
        <p className="text-error" role="alert">
          {fault}
        </p>
      ) : null}
    </fieldset>
  );
}
