import { workRulesRequest } from '../../contracts/index.ts';
import { endpoint, outcomeReply, setWorkRules } from '../../server/index.ts';

/** Whether what people write is approved by somebody else. */
export const PUT = endpoint(
  { permission: 'administer', schema: workRulesRequest },
  async ({ app, person, input }) => outcomeReply(await setWorkRules(app, person, input)),
);
