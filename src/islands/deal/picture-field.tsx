import { useState } from 'react';
import { ask, refusalOf } from '../server/index.ts';

/** A picture for the till: sent to the server at once, which looks at its kind and size. */
export function PictureField({
  picture,
  onChange,
}: {
  picture: string | undefined;
  onChange: (picture: string | null) => void;
}) {
  const [said, setSaid] = useState<string | null>(null);
  async function put(file: File | undefined): Promise<void> {
    if (!file) return;
    setSaid('Sending …');
    try {
      const { id } = await ask<{ id: string }>('/api/pictures', { method: 'POST', file });
      setSaid(null);
      onChange(id);
    } catch (error) {
      const { message, faults } = refusalOf(error);
      setSaid([message, ...faults.map((fault) => fault.message)].join(' '));
    }
  }
  return (
    <span className="block space-y-2">
      {picture ? (
        <span className="flex items-end gap-3">
          <img className="max-h-32 rounded-box" src={`/api/pictures/${picture}`} alt="What the till shows" />
          <button type="button" className="btn btn-xs" onClick={() => onChange(null)}>
            Take it away
          </button>
        </span>
      ) : null}
      <label className="block">
        {picture ? 'Another picture' : 'A picture for the till'}: PNG, JPEG or WebP, at most 512 KB
        <input
          type="file"
          className="file-input file-input-sm mt-0.5 w-full"
          accept="image/png,image/jpeg,image/webp"
          onChange={(event) => put(event.target.files?.[0])}
        />
      </label>
      {said ? (
        <span className="block" role="alert">
          {said}
        </span>
      ) : null}
    </span>
  );
}
