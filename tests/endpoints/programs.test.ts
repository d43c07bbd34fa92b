import { randomUUID } from 'node:crypto';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { beforeAll, describe, expect, it } from 'vitest';
import { as, type Client, nobody, program } from '../application/client.ts';
import { running } from '../application/running.ts';

let basil: Client;
beforeAll(async () => {
  basil = await as('basil');
});

const PRICE = '/api/v1/price?store=s004&item=Q103453&at=2027-03-06T09:00';
const key = async (more: object = {}) => {
  const said = { name: `Feed ${randomUUID()}`, scopes: ['see'], costs: false, stores: [], until: null };
  const { status, body } = await basil.send('POST', '/api/keys', { ...said, ...more });
  expect(status).toBe(201);
  return body as { id: string; key: string };
};
const step = (id: string, what: 'take' | 'replace') =>
  basil.send('POST', `/api/keys/${id}/step`, { step: what });
const promotion = (id: string) => ({
  ...{ id, name: 'From outside', status: 'draft', priority: 100 },
  when: { from: '2028-03-01T09:00', to: '2028-03-05T20:00' },
  offer: { kind: 'priceChange', items: { items: ['Q103453'] }, formula: { percentOff: 500 } },
});

describe('another program', () => {
  it('is known by its key, which is shown once, until it is replaced or taken', async () => {
    const { id, key: first } = await key();
    expect((await program(first).get(PRICE)).status).toBe(200);
    expect(JSON.stringify((await basil.get('/api/keys')).body)).not.toContain(first);
    const replaced = await step(id, 'replace');
    expect((await program(first).get(PRICE)).status).toBe(401);
    const second = program(replaced.body.key);
    expect((await second.get(PRICE)).status).toBe(200);
    expect((await basil.get('/api/keys')).body.keys).toContainEqual(
      expect.objectContaining({ id, usedAt: expect.any(String) }),
    );
    expect((await step(id, 'take')).status).toBe(200);
    expect((await second.get(PRICE)).status).toBe(401);
    expect((await step(id, 'take')).status).toBe(404);
    const told = (await basil.get<string>('/check/history?part=chain')).body;
    for (const words of ['key made', 'key replaced', 'key taken']) expect(told).toContain(words);
  });

  it.each([
    ['nothing like a key', 'bt_nobody-ever-made-this-key-of-ours'],
    ['the key of a terminal', 'x'.repeat(32)],
  ])('is let in by %s as little as by none', async (_, said) => {
    expect((await program(said).get(PRICE)).status).toBe(401);
  });

  it('does what it was given and no more, and no page and no account is its own', async () => {
    const looks = program((await key()).key);
    const plans = program((await key({ scopes: ['see', 'plan'] })).key);
    const id = `outside-${randomUUID()}`;
    expect((await looks.send('POST', '/api/v1/promotions', { promotion: promotion(id) })).status).toBe(403);
    expect((await plans.send('POST', '/api/v1/promotions', { promotion: promotion(id) })).status).toBe(201);
    expect((await plans.send('POST', '/api/v1/send', {})).status).toBe(403);
    expect((await plans.get('/api/keys')).status).toBe(403);
    expect((await plans.get('/api/account/sessions')).status).toBe(403);
    expect((await plans.get('/today')).status).toBe(302);
    // What it wrote is told as its own.
    const opened = (await (await as('ines')).get(`/api/promotions/${id}`)).body;
    expect(JSON.stringify(opened)).toContain('Feed ');
  });

  it('of one store sees that one alone, and no costs', async () => {
    const one = program((await key({ stores: ['s004'] })).key);
    expect((await one.get(PRICE)).status).toBe(200);
    expect((await one.get(PRICE.replace('s004', 's005'))).status).toBe(403);
    expect(JSON.stringify((await one.get('/api/v1/stockroom/items?limit=5')).body)).not.toMatch(/"cost":"\d/);
  });

  it.each<[string, object]>([
    ['/name', { name: ' ' }],
    ['/scopes', { scopes: ['plan'] }],
    ['/scopes/1', { scopes: ['see', 'administer'] }],
    ['/stores', { stores: ['s001'], scopes: ['see', 'plan'] }],
    ['/stores', { stores: ['s999'] }],
    ['/until', { until: '2020-01-01' }],
    ['/until', { until: '2027-02-31T09:00' }],
    ['/until', { until: '2027-13-01' }],
  ])('is given no key with a fault at %s: %j', async (path, more) => {
    const said = { name: 'Feed', scopes: ['see'], costs: false, stores: [], until: null };
    const { status, body } = await basil.send('POST', '/api/keys', { ...said, ...more });
    expect([status, body.faults.map((fault: { path: string }) => fault.path)]).toEqual([422, [path]]);
  });
});

describe('the published interface', () => {
  it('is told as OpenAPI, whose every shape is a schema and whose every address answers', async () => {
    const looks = program((await key()).key);
    const { body: api } = await looks.get('/api/v1/openapi.json');
    expect(api).toMatchObject({ openapi: '3.1.0', servers: [{ url: `${running().origin}/api/v1` }] });
    const ajv = new Ajv2020({ strict: false, formats: { 'date-time': true, email: true } });
    for (const name of ['plan', 'promotion', 'basket']) {
      const { body: schema } = await looks.get(`/api/v1/schemas/${name}.json`);
      expect(schema.$id).toBe(`${running().origin}/api/v1/schemas/${name}.json`);
      ajv.addSchema(schema, `/api/v1/schemas/${name}.json`);
    }
    const operations = Object.entries(api.paths as Record<string, Record<string, any>>).flatMap(
      ([path, methods]) => Object.entries(methods).map(([method, one]) => ({ path, method, ...one })),
    );
    expect(operations.length).toBeGreaterThan(35);
    for (const { path, method, parameters, requestBody } of operations) {
      for (const { schema } of parameters) ajv.compile(schema);
      const sent = requestBody?.content['application/json']?.schema;
      if (sent) ajv.compile(sent);
      // A stranger is turned away there, which somebody who is not there could not.
      const url = `/api/v1${path.replaceAll(/\{\w+\}/g, 'x')}`;
      const { status } =
        method === 'get'
          ? await nobody().get(url)
          : await nobody().send(method.toUpperCase() as 'POST', url, {});
      expect([method, path, status]).toEqual([method, path, 401]);
    }
    const { requestBody } = operations.find(
      ({ path, method }) => path === '/promotions' && method === 'post',
    )!;
    const validate = ajv.compile(requestBody.content['application/json'].schema);
    expect(validate({ promotion: promotion('a') })).toBe(true);
    expect(validate({ promotion: { ...promotion('a'), priority: 'high' } })).toBe(false);
  });

  it('leaves out what is for our own pages', async () => {
    expect((await basil.get('/api/v1/account/sessions')).status).toBe(404);
    expect((await basil.get('/api/account/sessions')).status).toBe(200);
    expect((await basil.get('/api/v1/schemas/no-such.json')).status).toBe(404);
    // There, and not in that way.
    expect((await basil.send('PATCH', '/api/v1/price', {})).status).toBe(405);
    expect((await basil.send('DELETE', '/api/v1/templates/x', {})).status).toBe(404);
  });
});

describe('a list', () => {
  it('is read in stretches, each with the address of the next', async () => {
    const { key: text } = await key();
    const looks = program(text);
    const all = (await looks.get('/api/v1/promotions')).body as { id: string }[];
    const found: string[] = [];
    let path: string | null = `/api/v1/promotions?limit=${Math.ceil(all.length / 3)}`;
    let stretches = 0;
    while (path && stretches < 10) {
      const reply: Response = await fetch(running().origin + path, {
        headers: { authorization: `Bearer ${text}` },
      });
      expect(reply.headers.get('x-total-count')).toBe(String(all.length));
      found.push(...((await reply.json()) as { id: string }[]).map(({ id }) => id));
      const next: string | undefined = /<([^>]+)>; rel="next"/.exec(reply.headers.get('link') ?? '')?.[1];
      path = next === undefined ? null : new URL(next, reply.url).href.slice(running().origin.length);
      stretches += 1;
    }
    expect([stretches, found]).toEqual([3, all.map(({ id }) => id)]);
    expect((await looks.get('/api/v1/promotions?limit=0')).status).toBe(422);
    expect((await looks.get('/api/v1/promotions?offset=9999')).body).toEqual([]);
  });
});

describe('what is asked under a key of its own', () => {
  it('is done once, however often it is asked, at once or later', async () => {
    const { key: text } = await key({ scopes: ['see', 'plan'] });
    const id = `once-${randomUUID()}`;
    const asks = program(text, { 'idempotency-key': id });
    const make = (more: object = {}) =>
      asks.send('POST', '/api/v1/promotions', { promotion: { ...promotion(id), ...more } });
    const all = await Promise.all(Array.from({ length: 5 }, () => make()));
    // One did it; who asks while it is being done hears so, or what came of it.
    expect(all.filter(({ status }) => ![201, 409].includes(status))).toEqual([]);
    expect(
      all.filter(({ status, body }) => status === 409 && body.type !== 'urn:belltag:problem:conflict'),
    ).toEqual([]);
    const again = await make();
    expect(again).toEqual(all.find(({ status }) => status === 201));
    expect((await make({ name: 'Something else' })).status).toBe(422);
    // The same name of another program is another thing.
    const other = program((await key({ scopes: ['see', 'plan'] })).key, { 'idempotency-key': id });
    expect((await other.send('POST', '/api/v1/promotions', { promotion: promotion(id) })).status).toBe(409);
    const odd = program(text, { 'idempotency-key': 'x'.repeat(201) });
    expect((await odd.send('POST', '/api/v1/promotions', { promotion: promotion(`${id}-2`) })).status).toBe(
      422,
    );
    expect((await asks.get(`/api/v1/promotions/${id}-2`)).status).toBe(404);
  });
});

describe('a promotion that was opened', () => {
  it('is saved as long as its revision stands, named by If-Match', async () => {
    const { key: text } = await key({ scopes: ['see', 'plan'] });
    const id = `tagged-${randomUUID()}`;
    await program(text).send('POST', '/api/v1/promotions', { promotion: promotion(id) });
    const path = `/api/v1/promotions/${id}`;
    const opened = await fetch(running().origin + path, { headers: { authorization: `Bearer ${text}` } });
    const etag = opened.headers.get('etag')!;
    const saves = (tag: string) =>
      program(text, { 'if-match': tag }).send('PUT', path, { promotion: { ...promotion(id), name: tag } });
    expect((await saves(etag)).status).toBe(200);
    expect((await saves(etag)).status).toBe(412);
    expect((await saves('"no-tag-of-ours"')).status).toBe(412);
    expect((await program(text).send('PUT', path, { promotion: promotion(id) })).status).toBe(422);
  });
});
