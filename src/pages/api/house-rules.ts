import { houseRulesRequest } from '../../contracts/index.ts';
import { endpoint, outcomeReply, setHouseRules } from '../../server/index.ts';

/** What the chain asks of its own promotions, and the days on which its stores are shut. */
export const PUT = endpoint(
  { permission: 'administer', schema: houseRulesRequest },
  async ({ app, person, input }) => outcomeReply(await setHouseRules(app, person, input)),
);
