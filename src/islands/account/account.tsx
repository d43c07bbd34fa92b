import { WithServer } from '../server/index.ts';
import { NewPassword } from './new-password.tsx';
import { Sessions } from './sessions.tsx';

/** What somebody sees to for themselves: where they are signed in, and their password. */
export function Account({ timeZone }: { timeZone: string }) {
  return (
    <WithServer>
      <Sessions timeZone={timeZone} />
      <NewPassword />
    </WithServer>
  );
}
