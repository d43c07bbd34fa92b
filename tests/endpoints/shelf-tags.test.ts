import { beforeAll, describe, expect, it } from 'vitest';
import type { TagsView, TagView } from '../../src/contracts/view/index.ts';
import { as, cookieOf, saveApproved } from '../application/client.ts';
import { running } from '../application/running.ts';
import { change } from '../plans/small-plan.ts';

const [STORE, FIRST] = ['s031', '2027-04-05'];
const THREE = ['Q100042', 'Q100043', 'Q100044'];

const look = async (who: 'ines' | 'tove' | 'odile', more = '', store = STORE, day = FIRST) =>
  (await as(who)).get<TagsView>(`/api/send/tags?store=${store}&day=${day}${more}`);
const mine = ({ tags }: TagsView): TagView[] =>
  tags.filter(({ promotion }) => promotion?.id === 'shelf-week');
const hang = async (
  who: 'ines' | 'odile' | 'tove',
  tags: readonly { sku: string; edition: string }[],
  hung = true,
) =>
  (await as(who)).send('POST', '/api/send/tags/hung', {
    ...{ store: STORE, day: FIRST, hung },
    tags: tags.map(({ sku, edition }) => ({ sku, edition })),
  });

/** As a program takes it: bytes. */
async function print(body: object, query = ''): Promise<Response> {
  return fetch(`${running().origin}/api/send/tags/print${query}`, {
    method: 'POST',
    headers: {
      ...{ cookie: await cookieOf('ines'), origin: running().origin },
      'content-type': 'application/json',
    },
    body: JSON.stringify({ store: STORE, day: FIRST, paper: 'a4-24', which: 'changed', ...body }),
  });
}

describe('the shelf tags of a store', () => {
  beforeAll(() =>
    saveApproved({
      ...change('shelf-week'),
      ...{ priority: 1, alone: true, where: { stores: [STORE] } },
      when: { from: `${FIRST}T00:00`, to: '2027-04-12T00:00' },
      offer: { kind: 'priceChange', items: { items: THREE }, formula: { setTo: '0.55' } },
    } as never),
  );

  it('are those that change on the day, in the order of the shelves, and what comes off when it is over', async () => {
    const { body } = await look('ines');
    expect(
      mine(body)
        .map(({ sku }) => sku)
        .sort(),
    ).toEqual(THREE);
    expect(mine(body)[0]).toMatchObject({ price: '0.55', due: true, hung: null, until: 'until Sun 11 Apr' });
    const places = body.tags.map(({ shelf }) => shelf!);
    expect(places).toEqual([...places].sort());
    expect(mine((await look('ines', '', STORE, '2027-04-06')).body)).toEqual([]);
    const over = (await look('ines', '', STORE, '2027-04-12')).body;
    expect(
      over.off
        .filter(({ ended }) => ended.includes('shelf-week'))
        .map(({ sku }) => sku)
        .sort(),
    ).toEqual(THREE);
    // The tills were not sent it.
    expect(body.unsent?.promotions).toContain('shelf-week');
  });

  it('are all that hang, or those of a promotion, or those that are sought', async () => {
    const all = (await look('ines', '&all=1&most=3')).body;
    expect([all.tags.length, all.meant > 500]).toEqual([3, true]);
    const its = (await look('ines', '&promotion=shelf-week', STORE, '2027-04-08')).body;
    expect([its.meant, its.tags.some(({ due }) => due)]).toEqual([3, false]);
    const found = (await look('ines', `&all=1&find=${THREE[0]}`)).body;
    expect(found.tags.map(({ sku }) => sku)).toEqual([THREE[0]]);
    const again = (await look('ines', `&all=1&find=${found.tags[0]!.gtin}`)).body;
    expect(again.tags.map(({ sku }) => sku)).toEqual([THREE[0]]);
  });

  it('tell the lowest price of the days before as long as the chain says so', async () => {
    const lowest = async () => mine((await look('ines')).body).map((tag) => tag.lowest !== null);
    const basil = await as('basil');
    expect(await lowest()).toEqual([true, true, true]);
    const off = await basil.send('PUT', '/api/work-rules', { tagsTellLowest: false });
    expect([off.status, off.body.tagsTellLowest, await lowest()]).toEqual([
      200,
      false,
      [false, false, false],
    ]);
    expect((await basil.send('PUT', '/api/work-rules', { tagsTellLowest: true })).status).toBe(200);
    expect(await lowest()).toEqual([true, true, true]);
  });

  it('are noted as hung by who may, each for what it says', async () => {
    const tags = mine((await look('ines')).body);
    const { due, done } = (await look('ines')).body;
    expect((await hang('odile', tags)).status).toBe(403);
    expect((await hang('tove', tags)).status).toBe(404);
    const other = await hang('ines', [tags[0]!, { sku: tags[1]!.sku, edition: 'of-yesterday' }]);
    expect([other.status, other.body.faults[0].path]).toEqual([422, '/tags/1/edition']);
    expect((await look('ines')).body.done).toBe(done);
    expect((await hang('ines', tags)).status).toBe(200);
    const then = (await look('odile')).body;
    expect([then.due, then.done]).toEqual([due, done + 3]);
    expect(mine(then)[0]!.hung?.by).toBe('Ines Calloway');
    expect((await hang('ines', [tags[0]!], false)).status).toBe(200);
    expect((await look('ines')).body.done).toBe(done + 2);
  });

  it('that say something else than was hung are to be hung again', async () => {
    const ines = await as('ines');
    const rufus = await as('rufus');
    await hang('ines', mine((await look('ines')).body));
    const path = '/api/promotions/shelf-week';
    const opened = (await ines.get(path)).body;
    const offer = { ...opened.promotion.offer, formula: { setTo: '0.45' } };
    const saved = await ines.send('PUT', path, {
      promotion: { ...opened.promotion, offer },
      revision: opened.revision,
    });
    const submitted = await ines.send('POST', `${path}/step`, {
      step: 'submit',
      revision: saved.body.revision,
    });
    const approved = await rufus.send('POST', `${path}/step`, {
      step: 'approve',
      revision: submitted.body.revision,
    });
    expect(approved.status).toBe(200);
    const now = mine((await look('ines')).body);
    expect(now.map(({ price, hung }) => [price, hung])).toEqual(THREE.map(() => ['0.45', null]));
  });

  it('are printed as a PDF: those that change, those left, some, or the list of what comes off', async () => {
    const reply = await print({});
    expect([reply.status, reply.headers.get('content-type')]).toEqual([200, 'application/pdf']);
    expect(
      Buffer.from(await reply.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    const lines = async (body: object) =>
      (await (await print(body, '?progress=1')).text())
        .trim()
        .split('\n')
        .map((line) => JSON.parse(line));
    const tags = mine((await look('ines')).body);
    const { due, done } = (await look('ines')).body;
    await hang('ines', [tags[0]!]);
    expect((await lines({ which: 'left' })).at(-1)).toMatchObject({ kind: 'file', tags: due - done - 1 });
    expect((await lines({ which: { items: THREE } })).at(-1)).toMatchObject({ kind: 'file', tags: 3 });
    expect((await lines({ which: { promotion: 'shelf-week' } })).at(-1)).toMatchObject({ tags: 3 });
    const off = (await lines({ which: 'off', day: '2027-04-12' })).at(-1);
    expect(off.tags).toBeGreaterThanOrEqual(3);
    expect(Buffer.from(off.pdf, 'base64').subarray(0, 5).toString()).toBe('%PDF-');
    const sixty = (await look('ines', '&all=1&most=60')).body.tags.map(({ sku }) => sku);
    const all = await lines({ which: { items: sixty }, paper: 'roll-57x32' });
    expect(all[0]).toMatchObject({ kind: 'progress', done: 50 });
    expect(all.at(-1)).toMatchObject({ kind: 'file', tags: 60 });
  });

  it.each([
    [{ paper: 'a5' }, 422, /there is no paper .*a5/],
    [{ which: 'some' }, 422, /which/],
    [{ which: { items: [] } }, 422, /which/],
    [{ store: 's999' }, 404, /no store .*s999/],
    [{ day: '2027-02-30' }, 422, /day/],
  ])('of %j are refused', async (body, status, words) => {
    const reply = await print(body);
    expect([reply.status, words.test(await reply.text())]).toEqual([status, true]);
  });

  it('of other stores are not told to who runs one', async () => {
    expect((await look('tove', '', 's001')).status).toBe(200);
    expect((await look('tove')).status).toBe(404);
  });
});
