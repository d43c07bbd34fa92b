import { createHash, generateKeyPairSync, type KeyObject, randomUUID, sign } from 'node:crypto';
import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';

/** Somebody whom the directory knows. */
export interface Known {
  readonly sub: string;
  readonly email: string;
  readonly email_verified: boolean;
  readonly name: string;
}

/** A small provider of OpenID Connect, as a house has one of its own: whoever is sent to it is the one it is told. */
export interface TestDirectory {
  readonly issuer: string;
  /** What a server is told of it. */
  readonly told: Readonly<Record<string, string>>;
  /** Who sits at the browser; null: they say no. */
  sitting: Known | null;
  /** What is put wrongly into what it signs. */
  wrong: { readonly claims?: object; readonly key?: KeyObject; readonly silent?: boolean };
  readonly key: KeyObject;
  close(): void;
}

const CLIENT = 'bell-tag';
const SECRET = 'what the two know of each other';

interface Begun {
  readonly who: Known;
  readonly nonce: string | null;
  readonly challenge: string | null;
  readonly back: string;
}

export async function testDirectory(): Promise<TestDirectory> {
  const { privateKey, publicKey } = generateKeyPairSync('rsa', { modulusLength: 2048 });
  const codes = new Map<string, Begun>();
  const server = createServer(async (request, response) => {
    const url = new URL(request.url!, directory.issuer);
    const say = (status: number, body: object) =>
      response.writeHead(status, { 'content-type': 'application/json' }).end(JSON.stringify(body));
    if (directory.wrong.silent) return;
    if (url.pathname === '/.well-known/openid-configuration') return say(200, discovery(directory.issuer));
    if (url.pathname === '/keys')
      return say(200, {
        keys: [{ ...publicKey.export({ format: 'jwk' }), kid: '1', alg: 'RS256', use: 'sig' }],
      });
    if (url.pathname === '/authorize') {
      const back = new URL(url.searchParams.get('redirect_uri')!);
      back.searchParams.set('state', url.searchParams.get('state')!);
      if (directory.sitting) {
        const code = randomUUID();
        codes.set(code, {
          who: directory.sitting,
          nonce: url.searchParams.get('nonce'),
          challenge: url.searchParams.get('code_challenge'),
          back: url.searchParams.get('redirect_uri')!,
        });
        back.searchParams.set('code', code);
      } else back.searchParams.set('error', 'access_denied');
      return response.writeHead(302, { location: back.href }).end();
    }
    if (url.pathname === '/token') return token(await formOf(request), say);
    return say(404, {});
  });

  function token(form: URLSearchParams, say: (status: number, body: object) => unknown) {
    const begun = codes.get(form.get('code') ?? '');
    // A code is good once, for who has the other half of the challenge.
    codes.delete(form.get('code') ?? '');
    const half = createHash('sha256')
      .update(form.get('code_verifier') ?? '')
      .digest('base64url');
    const known = form.get('client_id') === CLIENT && form.get('client_secret') === SECRET;
    if (!begun || !known || half !== begun.challenge || form.get('redirect_uri') !== begun.back)
      return say(400, { error: 'invalid_grant' });
    const now = Math.floor(Date.now() / 1000);
    const claims = {
      ...{ iss: directory.issuer, aud: CLIENT, iat: now, exp: now + 60, nonce: begun.nonce },
      ...begun.who,
      ...directory.wrong.claims,
    };
    return say(200, {
      access_token: randomUUID(),
      token_type: 'Bearer',
      expires_in: 60,
      id_token: signed(claims, directory.wrong.key ?? privateKey),
    });
  }

  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const issuer = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const directory: TestDirectory = {
    issuer,
    told: {
      BELLTAG_OIDC_ISSUER: issuer,
      BELLTAG_OIDC_CLIENT: CLIENT,
      BELLTAG_OIDC_SECRET: SECRET,
      BELLTAG_OIDC_NAME: "Quillmere's directory",
    },
    sitting: null,
    wrong: {},
    key: privateKey,
    close() {
      server.closeAllConnections();
      server.close();
    },
  };
  return directory;
}

const discovery = (issuer: string) => ({
  issuer,
  authorization_endpoint: `${issuer}/authorize`,
  token_endpoint: `${issuer}/token`,
  jwks_uri: `${issuer}/keys`,
  response_types_supported: ['code'],
  subject_types_supported: ['public'],
  id_token_signing_alg_values_supported: ['RS256'],
  code_challenge_methods_supported: ['S256'],
});

const part = (value: object): string => Buffer.from(JSON.stringify(value)).toString('base64url');

/** A JSON Web Token (RFC 7519). */
function signed(claims: object, key: KeyObject): string {
  const what = `${part({ alg: 'RS256', kid: '1', typ: 'JWT' })}.${part(claims)}`;
  return `${what}.${sign('sha256', Buffer.from(what), key).toString('base64url')}`;
}

async function formOf(request: IncomingMessage): Promise<URLSearchParams> {
  let text = '';
  for await (const chunk of request) text += chunk;
  return new URLSearchParams(text);
}
