import { describe, expect, it } from 'vitest';
import type { ChangeEnvelope } from '../src/contracts/index.ts';
import type { PlanDocument } from '../src/core/plan/index.ts';
import { manifestOf } from '../src/core/price-file/index.ts';
import { sha256Of, signedBy, trustIn } from '../src/signing/index.ts';
import { makePriceFile } from '../src/usecases/send/make-price-file.ts';
import { signed } from '../tests/plans/signed.ts';
import { change, withPromotions } from '../tests/plans/small-plan.ts';
import { accept } from './accept.ts';

const chain = signed();
const trust = trustIn(chain.publicKey);
const holds = { ...chain.file(4), sha256: sha256Of(chain.file(4).content) };
const till = { store: 'east', trust, holds };
const file = (more: object = {}, number = 5) => {
  const content = JSON.stringify({ ...JSON.parse(chain.file(number).content), ...more });
  return { store: 'east', number, content, signature: signedBy(chain.privateKey, content) };
};

describe('a till', () => {
  it('takes a newer file of its chain and store', () => {
    expect(accept(file(), till).ok).toBe(true);
  });

  it('takes the very file that it has once more, as it may be handed it whole', () => {
    expect(accept(chain.file(4), till)).toMatchObject({ ok: true, envelope: chain.file(4) });
  });

  it.each<[string, unknown, RegExp]>([
    [
      'one that was changed on the way',
      { ...file(), content: file().content.replace('24.90', '0.90') },
      /tampered/,
    ],
    ['one that was cut off', { ...file(), content: file().content.slice(0, -5) }, /cut off/],
    ['one of another store', file({ store: 'west' }), /for store west/],
    [
      'another one of the number that it has',
      file({ goodUntil: '2199-01-01T00:00:00Z' }, 4),
      /not newer than 4/,
    ],
    ['an old one again', file({}, 3), /not newer than 4/],
    ['one whose number outside was changed', { ...file({}, 4), number: 6 }, /says inside/],
    ['one that names a key of its chain and was signed by nobody', file({ key: chain.key }).content, /form/],
    ['something else', { hello: 1 }, /form/],
  ])('refuses %s', (_, raw, why) => {
    const accepted = accept(raw, till);
    expect(accepted.ok ? '' : accepted.why).toMatch(why);
  });

  it('asks for keys where it does not know the one that is named, and for none otherwise', () => {
    const other = signed();
    expect(accept(other.file(5, 'east', {}, { key: other.key }), till)).toMatchObject({
      ok: false,
      ask: 'keys',
    });
    expect(accept(other.file(5, 'east', {}, { key: chain.key }), till)).not.toHaveProperty('ask');
  });
});

describe('a difference', () => {
  const NOW = Date.parse('2027-04-14T10:00:00Z') as never;
  const signer = {
    publicKey: chain.publicKey,
    key: chain.key,
    sign: (text: string) => ({ sha256: sha256Of(text), signature: signedBy(chain.privateKey, text) }),
  };
  const made = (plan: PlanDocument, number: number, before: ReturnType<typeof makePriceFile> | null = null) =>
    makePriceFile(
      {
        ...{ store: 'east', plan, manifest: manifestOf(plan) },
        before: before && {
          number: number - 1,
          sha256: before.sha256,
          createdAt: '',
          manifest: before.manifest,
        },
      },
      number,
      signer,
      NOW,
    );
  const first = made(withPromotions(change('a'), change('b')), 4);
  const second = made(withPromotions(change('a', { priority: 3 }), change('c')), 5, first);
  const asEnvelope = ({ content, signature }: typeof first, number: number) => ({
    ...{ store: 'east', number, content, signature },
  });
  const heldAs = (made: typeof first, number: number) => ({
    ...asEnvelope(made, number),
    sha256: made.sha256,
  });
  const at4 = { store: 'east', trust, holds: heldAs(first, 4) };
  const over = (change: object): ChangeEnvelope => ({ ...second.change!, ...change }) as ChangeEnvelope;

  it('becomes, with what is held, the very text that was signed', () => {
    const accepted = accept(JSON.parse(JSON.stringify(second.change)), at4);
    expect(accepted).toEqual({
      ...{ ok: true, envelope: asEnvelope(second, 5) },
      goodUntil: '2027-04-28T10:00:00.000Z',
    });
    expect(second.change!.change).toMatchObject({
      rest: null,
      items: { put: [], drop: [] },
      promotions: { put: [{ id: 'a' }, { id: 'c' }], drop: ['b'] },
    });
  });

  it('is not made where the whole is little more', () => {
    const other = withPromotions();
    const items = other.items.map((item) => ({ ...item, name: `${item.name} anew` }));
    expect(made({ ...other, items, name: 'Another' } as PlanDocument, 5, first).change).toBeNull();
  });

  const { change: inside } = second.change!;
  it.each<[string, ChangeEnvelope, object]>([
    ['to a file that it does not hold', second.change!, { holds: heldAs(second, 3) }],
    ['where it holds nothing', second.change!, { holds: null }],
    ['to a file of that number with something else in it', over({ fromSha256: 'a'.repeat(64) }), {}],
    ['that was altered', over({ change: { ...inside, promotions: { put: [], drop: ['a'] } } }), {}],
    ['of two that are mixed', over({ change: { ...inside, goodUntil: '2030-01-01T00:00:00.000Z' } }), {}],
    ['that names another key', over({ change: { ...inside, key: 'another' } }), {}],
    [
      'with something in it that is no promotion',
      over({ change: { ...inside, promotions: { put: [{}], drop: [] } } }),
      {},
    ],
    ['with another number outside', over({ number: 6 }), {}],
  ])('%s is refused, and the whole is asked for', (_, raw, more) => {
    const accepted = accept(raw, { ...at4, ...more });
    expect(accepted.ok).toBe(false);
    expect(accepted).toMatchObject({ ask: expect.stringMatching(/whole|keys/) });
  });
});
