import type { TerminalReport } from '../src/contracts/index.ts';
import { type Instant, parseMoment, zoneClock } from '../src/core/calendar/index.ts';
import { picturesIn } from '../src/core/price-file/index.ts';
import { sha256Of } from '../src/signing/index.ts';
import { type Accepted, accept, type Held } from './accept.ts';
import { type BoundedReply, boundedFetch } from './bounded-fetch.ts';
import { cardTalk } from './card-talk.ts';
import { codeTalk } from './code-talk.ts';
import { countedUses } from './counted-uses.ts';
import { ringCounted } from './ring-counted.ts';
import { withCard } from './shown-card.ts';
import type { Till, TillIdentity, TillPorts, TillState } from './till-ports.ts';
import { PowerCut } from './troubled-disk.ts';
import { trustedKeys } from './trusted-keys.ts';
import { usesTalk } from './uses-talk.ts';
import { vouched } from './vouched.ts';
import { isFullDisk } from './write-whole.ts';

const REPORT_EVERY = 30_000;
const REST_OF_A_FULL_DISK = 60_000;
/** What is vouched for is asked for so often, and at the next poll where no answer came. */
const VOUCHED_EVERY = 60_000;
/** No talk with the server takes longer. */
const WITHIN = 20_000;
/** Bytes that are taken, as they come out unpacked. */
const MOST = { file: 200_000_000, picture: 2_000_000, answer: 100_000, keys: 1_000_000 };

/** Its key was taken, or replaced by one that it was not given. */
class KeyRefused extends Error {}

export function till(identity: TillIdentity, ports: TillPorts): Till {
  const keys = trustedKeys(ports.publicKey, ports.keys);
  const newest = vouched(identity, ports.vouched);
  const found = fromDisk();
  let held: InForce | null = found.held;
  let heldSince: string | null = held ? ports.disk.since() : null;
  let on = true;
  let skew = 0;
  let delay = 0;
  let problem: string | null = found.problem;
  let restUntil = 0;
  let vouchedAt = Number.NEGATIVE_INFINITY;
  let reported = { at: 0, text: '' };
  let named: ReadonlySet<string> = held ? picturesIn(held.content) : new Set();
  const toCome = () => [...named].filter((id) => !ports.pictures.has(id));

  let key = ports.ownKey.read()?.key ?? identity.key;
  const clock = () => ports.now() + skew;
  /** By which it rings: a clock that was turned back brings no old prices back. */
  const ringsAt = () => Math.max(clock(), newest.notBefore()) as Instant;
  let groups: TillState['groups'] | null = null;
  const isOld = () => ports.old?.() ?? false;

  /** What lies on the disk is trusted no more than what comes over the wire; what fails is put aside, and told. */
  function fromDisk(): { held: InForce | null; problem: string | null } {
    try {
      const lies = ports.disk.read();
      if (lies === null) return { held: null, problem: null };
      const accepted = accept(lies, { store: identity.store, trust: keys.trust(), holds: null });
      const why = accepted.ok ? ports.ringer.faultOf(accepted.envelope.content) : accepted.why;
      if (accepted.ok && why === null) return { held: inForce(accepted), problem: null };
      ports.disk.putAside();
      return { held: null, problem: `what lay on the disk was put aside: ${why}` };
    } catch (error) {
      return { held: null, problem: `the disk cannot be read (${(error as Error).message})` };
    }
  }

  /** A server closes connections that are idle: the first question on a closed one fails, and all is well. */
  async function ask(
    what: string,
    most: number = MOST.answer,
    init: RequestInit = {},
  ): Promise<BoundedReply> {
    const limits = { within: WITHIN, most };
    const headers = { authorization: `Bearer ${key}`, 'content-type': 'application/json' };
    const once = () => boundedFetch(`${ports.server}/api/till/${what}`, { ...init, headers }, limits);
    try {
      return await once();
    } catch {
      return once();
    }
  }

  /** @param whole asks for the whole file, whatever is held. */
  async function fetchNewer(whole = false): Promise<void> {
    const takesChanges = !whole && !isOld();
    const have = held ? `?have=${held.number}${takesChanges ? `&sha256=${held.sha256}` : ''}` : '';
    const reply = await ask(`price-file${have}`, MOST.file);
    if (reply.status === 204) {
      // Nothing newer, and the server answers: whatever was wrong is over.
      if (held) problem = null;
      return;
    }
    if (reply.status === 401) throw new KeyRefused();
    if (reply.status !== 200) throw new Error(`the server answered ${reply.status}`);
    const raw = jsonOf(reply.bytes);
    const judge = () => accept(raw, { store: identity.store, trust: keys.trust(), holds: held });
    let accepted = judge();
    if (!accepted.ok && accepted.ask === 'keys' && (await learnKeys())) accepted = judge();
    if (!accepted.ok) {
      problem = accepted.why;
      // Put together it is not what was signed: the whole file tells.
      if (accepted.ask === 'whole' && !whole) await fetchNewer(true);
      return;
    }
    // A file that nothing can be rung from must not take the place of one that works.
    const fault = ports.ringer.faultOf(accepted.envelope.content);
    if (fault !== null) {
      problem = fault;
      return;
    }
    ports.disk.write(accepted.envelope);
    held = inForce(accepted);
    heldSince = ports.disk.since();
    problem = null;
    groups = null;
    named = picturesIn(held.content);
    ports.pictures.keepOnly(named);
  }

  async function learnKeys(): Promise<boolean> {
    if (isOld()) return false;
    const reply = await ask('keys', MOST.keys);
    return reply.status === 200 && keys.learnFrom(jsonOf(reply.bytes));
  }

  /** A server of a version that vouches for nothing is asked in vain, and nothing is wrong with that. */
  async function hearNewest(): Promise<void> {
    if (isOld() || ports.now() - vouchedAt < VOUCHED_EVERY) return;
    const question = newest.question();
    const reply = await ask(`newest?nonce=${question}`, MOST.answer);
    if (reply.status !== 200) return;
    const raw = jsonOf(reply.bytes);
    const hear = () => newest.hear(raw, question, keys.trust(), ports.now());
    if (hear() || ((await learnKeys()) && hear())) vouchedAt = ports.now();
  }

  async function fetchAll(): Promise<void> {
    try {
      await hearNewest();
      await fetchNewer();
      problem ??= newest.trouble(held, clock(), ports.now());
      await fetchPictures();
    } catch (error) {
      if (!isFullDisk(error)) throw error;
      problem = 'its disk is full: nothing new can be kept, and what it held before stays in force';
      restUntil = ports.now() + REST_OF_A_FULL_DISK;
    }
  }

  /** What the price file in force names and is not there yet. It rings without them all the same. */
  async function fetchPictures(): Promise<void> {
    for (const id of toCome()) {
      const reply = await ask(`picture/${id}`, MOST.picture);
      if (reply.status !== 200) continue;
      if (!ports.pictures.write(id, reply.bytes))
        problem = `picture ${id.slice(0, 8)}… came as something else, and is left out`;
    }
  }

  const codes = codeTalk(ask, () => on && !isOld());
  const cards = cardTalk(ask, () => on && !isOld());
  // Cut off, or of the first version of its program, it counts for itself.
  const uses = countedUses(
    usesTalk(ask, () => on && !isOld()),
    ports.uses,
    clock,
  );

  async function report(): Promise<void> {
    const state = { holds: held?.number ?? null, heldSince, problem };
    const text = JSON.stringify([state, skew]);
    if (text === reported.text && ports.now() - reported.at < REPORT_EVERY) return;
    const body: TerminalReport = { ...state, clock: new Date(clock()).toISOString() };
    const reply = await ask('state', MOST.answer, { method: 'POST', body: JSON.stringify(body) });
    if (reply.status === 200) reported = { at: ports.now(), text };
  }

  return {
    state() {
      // The file is large, and read for this once.
      groups ??= held ? groupsIn(held) : [];
      return {
        id: identity.id,
        store: identity.store,
        timeZone: identity.timeZone,
        on,
        holds: held?.number ?? null,
        heldSince,
        goodUntil: held?.goodUntil ?? null,
        trusts: [...keys.trust().keys.keys()],
        clock: clock(),
        delay,
        problem,
        picturesToCome: toCome().length,
        groups,
      };
    },
    isOn: () => on,
    async poll() {
      if (!on) return true;
      if (delay > 0) await new Promise((resolve) => setTimeout(resolve, delay));
      try {
        // A disk that was full is full a moment later, too: what is held stays in force until then.
        if (ports.now() >= restUntil) await fetchAll();
        // What cannot be told now is kept; that nobody answers shows elsewhere.
        await uses.tell().catch(() => {});
        await report();
        return true;
      } catch (error) {
        if (error instanceof PowerCut) throw error;
        if (error instanceof KeyRefused) {
          problem = 'the server does not know its key: it takes nothing new until it is given another';
          return false;
        }
        // Cut off: what is held stays in force, and the next poll tries again.
        problem = `no answer from the server (${(error as Error).message})`;
        return false;
      }
    },
    ring(code, group) {
      return (
        held &&
        ports.ringer.ring(held.content, {
          store: identity.store,
          code,
          group,
          at: ringsAt(),
          terminal: identity.id,
        })
      );
    },
    picture: (id) => ports.pictures.read(id),
    async ringBasket(raw, name) {
      const kinds = held ? ports.ringer.kindsOf(held.content) : new Set<string>();
      const { basket, card } = await withCard(raw, cards, kinds, (number) =>
        held ? ports.ringer.groupOfCard(held.content, number) : null,
      );
      const place = { store: identity.store, terminal: identity.id, at: ringsAt() };
      const vouched = await codes(held ? ports.ringer.codesToVouch(held.content, basket) : []);
      const ring = (used: Readonly<Record<string, number>>) =>
        held && ports.ringer.basket(held.content, place, withUses(basket, used), vouched);
      const answer = await ringCounted(name, ring, uses);
      return answer?.ok && card ? { ...answer, card } : answer;
    },
    paid: (name) => uses.paid(name),
    dropped: (name) => uses.dropped(name),
    switchOn(value) {
      on = value;
    },
    key: () => key,
    putKey(text) {
      key = text;
      ports.ownKey.write({ key });
    },
    setClock(wall) {
      const at = wall === null ? ports.now() : parseMoment(wall, zoneClock(identity.timeZone));
      if (at === null) return false;
      skew = at - ports.now();
      return true;
    },
    setDelay(ms) {
      delay = Math.max(0, ms);
    },
  };
}

/** The file in force, as far as it is asked for again and again. */
interface InForce extends Held {
  readonly goodUntil?: string;
}

const inForce = ({ envelope: { number, content }, goodUntil }: Extract<Accepted, { ok: true }>): InForce => ({
  ...{ number, content, sha256: sha256Of(content) },
  ...(goodUntil === undefined ? {} : { goodUntil }),
});

/** A basket may say uses of its own; what all tills used goes before them. */
function withUses(basket: unknown, used: Readonly<Record<string, number>>): unknown {
  if (typeof basket !== 'object' || basket === null || Object.keys(used).length === 0) return basket;
  const { usesSoFar } = basket as { usesSoFar?: object };
  return { ...basket, usesSoFar: { ...usesSoFar, ...used } };
}

function jsonOf(bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder().decode(bytes));
  } catch {
    return null;
  }
}

function groupsIn({ content }: Held): TillState['groups'] {
  const { plan } = JSON.parse(content) as {
    plan: { shopperGroups?: { id: string; name: string }[] };
  };
  return (plan.shopperGroups ?? []).map(({ id, name }) => ({ id, name }));
}
