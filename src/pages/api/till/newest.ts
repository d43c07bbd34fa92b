import { failureReply, json, terminalEndpoint } from '../../../server/index.ts';

/** `?nonce=…`: what the server vouches for, to the terminal that asks and in answer to this one question. */
export const GET = terminalEndpoint(async ({ app, terminal, context }) => {
  const nonce = context.url.searchParams.get('nonce') ?? '';
  if (!/^[0-9a-f]{16,64}$/.test(nonce)) {
    const fault = {
      path: ['nonce'],
      what: '"nonce" is none',
      wanted: '16 to 64 hexadecimal digits, at random',
    };
    return failureReply({ kind: 'invalid', faults: [fault] });
  }
  return json(await app.vouching({ store: terminal.store, nonce }));
});
