import { WithServer } from '../server/index.ts';
import { SecondStep } from './second-step.tsx';

/** For who must begin with a second step before anything else. @param next where they were going. */
export function FirstSecondStep({ next }: { next: string }) {
  return (
    <WithServer>
      <SecondStep onBegun={() => location.assign(next)} />
    </WithServer>
  );
}
