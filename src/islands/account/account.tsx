import { WithServer } from '../server/index.ts';
import { NewPassword } from './new-password.tsx';
import { SecondStep } from './second-step.tsx';
import { Sessions } from './sessions.tsx';

/** What somebody sees to for themselves: where they are signed in, how they sign in. */
export function Account({ timeZone }: { timeZone: string }) {
  return (
    <WithServer>
      <Sessions timeZone={timeZone} />
      <SecondStep />
      <NewPassword />
    </WithServer>
  );
}
