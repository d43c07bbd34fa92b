import { describe, expect, it } from 'vitest';
import { as, type Client } from '../application/client.ts';
import { running } from '../application/running.ts';

const rows = async (client: Client, path: string): Promise<Record<string, string>[]> => {
  const { body } = await client.get(`/api/stockroom/${path}`);
  return body.rows.map(({ cells }: any) => cells);
};
const edit = (cells: object, key: string | null = null, was?: object) => ({
  edits: [{ key, cells, ...(was ? { was } : {}) }],
  drops: [],
});
/** The last line of what is answered while a file comes in. */
const lastNews = (body: unknown) => JSON.parse(String(body).trim().split('\n').at(-1)!);

describe('the tables of the stockroom', () => {
  it('are found, sorted and cut to what is asked for', async () => {
    const ines = await as('ines');
    const { body } = await ines.get('/api/stockroom/items?q=sun+milk&sort=name&desc=1&limit=3&offset=1');
    expect(body.total).toBeGreaterThan(10);
    expect(body.rows).toHaveLength(3);
    const names = body.rows.map(({ cells }: any) => cells.name);
    expect(names).toEqual(
      names.toSorted((a: string, b: string) => (a.toLowerCase() < b.toLowerCase() ? 1 : -1)),
    );
    const byPrice = await rows(ines, 'items?sort=price&limit=5');
    const prices = byPrice.map(({ price }) => Number(price || -1));
    expect(prices).toEqual(prices.toSorted((a, b) => a - b));
  });

  it('of items are narrowed by a rule, and to what a store carries and through which range', async () => {
    const ines = await as('ines');
    const rule = encodeURIComponent(JSON.stringify({ node: 'photo' }));
    const { body: all } = await ines.get(`/api/stockroom/items?rule=${rule}&limit=1`);
    const { body: carried } = await ines.get(
      `/api/stockroom/items?rule=${rule}&carried=1&store=s002&limit=1`,
    );
    expect(all.total).toBeGreaterThan(carried.total);
    const [first] = await rows(ines, 'items?carried=1&store=s001&limit=1');
    expect(first!.through).toContain('Core range');
  });

  it('are changed cell by cell, and not over what somebody else changed since', async () => {
    const [ines, rufus] = [await as('ines'), await as('rufus')];
    const [before] = await rows(ines, 'items?q=Q100033');
    const change = edit({ tags: 'picked' }, 'Q100033', { tags: before!.tags });
    expect((await ines.send('POST', '/api/stockroom/items', change)).status).toBe(200);
    expect((await rows(rufus, 'items?q=Q100033'))[0]!.tags).toBe('picked');
    const late = await rufus.send(
      'POST',
      '/api/stockroom/items',
      edit({ tags: 'mine' }, 'Q100033', { tags: before!.tags }),
    );
    expect(late).toMatchObject({
      status: 422,
      body: {
        faults: [
          { path: '/edits/0/tags', message: expect.stringContaining('somebody changed this to "picked"') },
        ],
      },
    });
  });

  it('set prices that count once somebody else has approved them, from their day on', async () => {
    const ines = await as('ines');
    const cells = { sku: 'Q100035', place: 'store:s001', since: '2030-01-01', price: '3,33' };
    const { status, body } = await ines.send('POST', '/api/stockroom/prices', edit(cells));
    expect(status).toBe(200);
    const priceOn = async (at: string) =>
      (await ines.get(`/api/price?store=s001&item=Q100035&at=${at}`)).body.regular.price;
    expect(await priceOn('2030-01-01T00:00')).not.toBe('3.33');
    const path = `/api/waiting-entries/${body.waits}`;
    expect((await ines.send('POST', path, { step: 'approve' })).status).toBe(403);
    expect((await (await as('basil')).send('POST', path, { step: 'approve' })).status).toBe(200);
    expect((await (await as('basil')).send('POST', path, { step: 'approve' })).status).toBe(404);
    expect(await priceOn('2029-12-31T12:00')).not.toBe('3.33');
    expect(await priceOn('2030-01-01T00:00')).toBe('3.33');
  });

  it('retire an item: no store sells it from that day on, and the check says so', async () => {
    const ines = await as('ines');
    await ines.send('POST', '/api/stockroom/items', edit({ retired: '2030-06-01' }, 'Q100036'));
    const check = async (at: string) =>
      (await ines.get(`/api/price?store=s001&item=Q100036&at=${at}`)).body.problem;
    expect([await check('2030-05-31T23:59'), await check('2030-06-01T00:00')]).toEqual([null, 'retired']);
  });

  it.each([
    ['/api/stockroom/shelves', 404],
    ['/api/stockroom/items?limit=9999', 422],
    ['/api/stockroom/items?rule={"node":"moon"}', 422],
    ['/api/stockroom/items?rule=nonsense', 422],
    ['/api/stockroom/items?store=nowhere', 404],
    ['/api/stockroom/items/file?kind=doc', 422],
  ])('%s is answered %s', async (path, status) => {
    expect((await (await as('ines')).get(encodeURI(path))).status).toBe(status);
  });

  it('show a store’s people their own stores', async () => {
    const stores = await rows(await as('tove'), 'stores');
    expect(stores.map(({ id }) => id)).toEqual(['s001']);
  });
});

describe('a set', () => {
  it('is saved whole by its page; the second of two is told', async () => {
    const basil = await as('basil');
    const { body: plan } = await basil.get('/api/plan');
    const was = plan.itemSets.find(({ id }: any) => id === 'own-label');
    const entry = { ...was, name: 'Our own label' };
    expect((await basil.send('PUT', '/api/stockroom/itemSets/own-label', { entry, was })).status).toBe(200);
    expect((await basil.send('PUT', '/api/stockroom/itemSets/own-label', { entry, was })).status).toBe(409);
    expect(
      (await basil.send('PUT', '/api/stockroom/itemSets/own-label', { entry: was, was: entry })).status,
    ).toBe(200);
  });
});

describe('files', () => {
  it('are looked at first, then brought in, and what was taken out comes back in unchanged', async () => {
    const ines = await as('ines');
    const out = await ines.get('/api/stockroom/nodes/file?kind=csv');
    const same = lastNews((await ines.send('POST', '/api/stockroom/nodes/file', out.body)).body);
    expect(same.result).toMatchObject({ added: 0, changed: 0, refused: 0, done: true });
    const more = `${out.body}\r\nseasonal,Seasonal,household`;
    const dry = lastNews((await ines.send('POST', '/api/stockroom/nodes/file?dry=1', more)).body);
    expect(dry.result).toMatchObject({ added: 1, changed: 0, done: false });
    expect((await rows(ines, 'nodes?q=seasonal')).length).toBe(0);
    await ines.send('POST', '/api/stockroom/nodes/file', more);
    expect(await rows(ines, 'nodes?q=seasonal')).toMatchObject([{ id: 'seasonal', parent: 'Household' }]);
  });

  it('with faults leave everything as it was, and say where', async () => {
    const ines = await as('ines');
    const text = 'Item number;Counts in;Price\nQ100033;chain;1,234\nnobody;chain;1,00\nQ100033;chain;2,00\n';
    const news = lastNews((await ines.send('POST', '/api/stockroom/prices/file', text)).body);
    expect(news.result).toMatchObject({ done: false, refused: 2 });
    expect(news.result.faults.map(({ line, column }: any) => `${line} ${column}`).toSorted()).toEqual([
      '2 Price',
      '3 Item number',
    ]);
  });

  it.each([
    ['/api/stockroom/items/file', '', 422],
    ['/api/stockroom/items/file?matching=1', 'sku;name\na;b', 422],
    ['/api/stockroom/nothing/file', 'sku;name\na;b', 404],
  ])('%s with %j is answered %s', async (path, text, status) => {
    expect((await (await as('ines')).send('POST', path, text)).status).toBe(status);
  });

  it('of the whole plan’s promotions go out as a calendar', async () => {
    const { status, body } = await (await as('ines')).get('/api/promotions.ics');
    expect(status).toBe(200);
    expect(body).toMatch(/^BEGIN:VCALENDAR/);
  });

  it('of what stands on a page are written', async () => {
    const ines = await as('ines');
    const { status, body } = await ines.send('POST', '/api/files/write', {
      name: 'sheet',
      kind: 'json',
      columns: [{ field: 'sku', title: 'SKU', kind: 'text' }],
      rows: [{ sku: 'a', more: 'x' }],
    });
    expect([status, body]).toEqual([200, [{ sku: 'a' }]]);
  });
});

describe('what is kept for a person', () => {
  it('is theirs alone', async () => {
    const [ines, rufus] = [await as('ines'), await as('rufus')];
    await ines.send('PUT', '/api/drafts/new-test', { draft: { name: 'Half written' }, revision: null });
    const kept = async (client: Client) =>
      (await client.get('/api/drafts')).body.filter(({ key }: any) => key === 'new-test');
    expect(await kept(ines)).toMatchObject([{ draft: { name: 'Half written' }, revision: null }]);
    expect(await kept(rufus)).toEqual([]);
    const { origin } = running();
    expect(
      (
        await fetch(`${origin}/api/drafts/new-test`, {
          method: 'DELETE',
          headers: { origin, 'content-type': 'application/json' },
        })
      ).status,
    ).toBe(401);
  });
});
