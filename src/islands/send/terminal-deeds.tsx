import { WithServer } from '../server/index.ts';
import { type Deed, Deeds } from './deeds.tsx';

/** What can be done about one terminal. */
export function TerminalDeeds({
  terminal,
  sends,
  rules,
}: {
  terminal: string;
  sends: boolean;
  rules: boolean;
}) {
  const deeds = [...(sends ? [LOOK, WHOLE] : []), ...(rules ? [NEW_KEY, NO_KEY] : [])];
  return (
    <WithServer>
      <Deeds deeds={deeds.map((deed) => ({ ...deed, body: { terminal } }))} />
    </WithServer>
  );
}

const LOOK: Omit<Deed, 'body'> = {
  words: 'Have it look now',
  first: null,
  path: '/api/send/wake',
  told: () =>
    'It was told to look. If it is connected it has by now; else it looks by itself within a minute.',
};

const WHOLE: Omit<Deed, 'body'> = {
  words: 'Hand it the whole file',
  first: null,
  path: '/api/send/whole',
  told: () =>
    'It is handed its price file once more, and whole, as soon as it looks. Prices do not change by it.',
};

const NEW_KEY: Omit<Deed, 'body'> = {
  words: 'New key',
  first: {
    does: 'The terminal gets a key of its own, by which we know it; the one that it had lets nobody in any more. Until the new one is put into the terminal it goes on with the prices that it holds, and is sent nothing.',
    go: 'Give it a new key',
  },
  path: '/api/send/terminal-key',
  told: ({ key }: { key: string }) => (
    <>
      <p>Put this key into the terminal now: it is shown this once, and kept nowhere.</p>
      <p className="mt-2">
        <code className="select-all break-all text-base">{key}</code>
      </p>
    </>
  ),
};

const NO_KEY: Omit<Deed, 'body'> = {
  words: 'Take its key',
  first: {
    does: 'The terminal is refused whatever it asks, from now on, and its line is ended. It goes on with the prices that it holds until they are over. Do this when a terminal was lost, or when somebody else may have its key.',
    go: 'Take its key',
  },
  path: '/api/send/terminal-key',
  method: 'DELETE',
  told: () => 'It has no key any more, and is refused until it is given another.',
};
