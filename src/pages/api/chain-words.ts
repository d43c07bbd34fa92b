import { chainWordsRequest } from '../../contracts/index.ts';
import { endpoint, outcomeReply, setChainWords } from '../../server/index.ts';

/** The words that the chain keeps for ways of paying and delivering, regions and link tags. */
export const PUT = endpoint(
  { permission: 'administer', schema: chainWordsRequest },
  async ({ app, person, input }) => outcomeReply(await setChainWords(app, person, input)),
);
