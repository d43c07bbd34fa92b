import {
  done,
  failed,
  invalid,
  type JoinAnswerRequest,
  type JoinRequestSaid,
  type JoinRequestView,
  type Outcome,
  type Person,
} from '../../contracts/index.ts';
import { maySeeShoppers } from '../known/index.ts';
import { seenBy } from '../people/index.ts';
import type { CodeSeal, JoinRequest, JoinStore, Letter, LetterStore, PlanBook } from '../ports/index.ts';
import { groupName } from './found-shopper.ts';
import { addShopper, type KeepPorts } from './keep-shopper.ts';

interface AskPorts {
  readonly book: PlanBook;
  readonly joins: JoinStore;
  readonly letters: LetterStore;
  readonly codeSeal: CodeSeal;
}

const HOUR = 60 * 60_000;
/** Letters that one address is sent within a day: whoever asks in the name of others soon stops. */
const LETTERS_A_DAY = 3;
const PROOF_TRIES = 5;
const PROOF_GOOD_FOR = 2 * HOUR;
const PROOF_DIGITS = 6;

/** Kinds of shopper that one may ask for. */
export async function kindsToJoin({
  book,
}: Pick<AskPorts, 'book'>): Promise<readonly { readonly id: string; readonly name: string }[]> {
  const { document } = await book.current();
  return (document.shopperGroups ?? [])
    .filter(({ joining }) => joining)
    .map(({ id, name }) => ({ id, name }));
}

/** Somebody asks to be let in. A code goes to the address that they gave; until it comes back nobody sees the request. */
export async function askToJoin(
  ports: AskPorts,
  { group, name, email, word }: JoinRequestSaid,
  now: Date,
): Promise<Outcome<{ id: number }>> {
  const { document } = await ports.book.current();
  const kind = (document.shopperGroups ?? []).find(({ id, joining }) => id === group && joining);
  if (!kind) return invalid(['group'], 'nobody is let in there by asking', 'a kind of shopper that is');
  const since = new Date(now.getTime() - 24 * HOUR);
  if ((await ports.joins.asked(email, since)) >= LETTERS_A_DAY)
    return invalid(
      ['email'],
      `${LETTERS_A_DAY} letters went there within a day`,
      'one of their codes, or another day',
    );
  const code = Array.from({ length: PROOF_DIGITS }, () => ports.codeSeal.pick(10)).join('');
  const id = await ports.joins.ask(
    { group, name, email, word },
    ports.codeSeal.hashOf(proofText(email, code)),
    now,
  );
  await ports.letters.put({
    to: email,
    subject: `Your code to ask for ${kind.name}`,
    text: [
      `Dear ${name},`,
      `to ask ${document.name ?? 'us'} for ${kind.name}, type this code on the page where you asked. It is good for two hours:`,
      code,
      'If you did not ask, nothing has to be done: nobody sees the request.',
    ].join('\n\n'),
  });
  return done({ id });
}

/** A code is good at its address alone. */
const proofText = (email: string, code: string): string => `${email.toLowerCase()} ${code}`;

/** The code came back: whoever asked can be written to. */
export async function proveAddress(
  ports: Pick<AskPorts, 'joins' | 'codeSeal'>,
  id: number,
  { email, code }: { readonly email: string; readonly code: string },
  now: Date,
): Promise<Outcome<{ ok: true }>> {
  const proof = ports.codeSeal.hashOf(proofText(email, code.replace(/\s/g, '')));
  const notBefore = new Date(now.getTime() - PROOF_GOOD_FOR);
  return (await ports.joins.prove(id, proof, PROOF_TRIES, notBefore))
    ? done({ ok: true })
    : invalid(
        ['code'],
        'this is not the code of the newest letter, or it was tried too often, or it is too old',
        'the six digits of the letter, or a new request',
      );
}

/** Who waits to be let in, the oldest first. */
export async function waitingToJoin(
  ports: { readonly book: PlanBook; readonly joins: JoinStore },
  person: Person,
  now: Date,
): Promise<Outcome<readonly JoinRequestView[]>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const { compiled } = await seenBy(ports.book, person);
  const waiting = await ports.joins.waiting(now);
  return done(
    waiting.map(({ id, group, name, email, word, askedAt }) => ({
      ...{ id, name, email, word, askedAt: askedAt.toISOString() },
      group: { id: group, name: groupName(compiled, group) },
    })),
  );
}

/** Lets somebody in, or not, and writes to them. */
export async function answerJoin(
  ports: KeepPorts & { readonly joins: JoinStore; readonly letters: LetterStore },
  person: Person,
  id: number,
  { answer, word }: JoinAnswerRequest,
  now: Date,
): Promise<Outcome<{ person: string | null }>> {
  if (!maySeeShoppers(person)) return failed({ kind: 'forbidden' });
  const request = await ports.joins.request(id);
  if (!request) return failed({ kind: 'not-found', what: `request ${id}` });
  // Of two who answer at once one does.
  if (!(await ports.joins.claim(id, answer, person.id, now))) return answeredBefore();
  const joined = answer === 'refused' ? null : await letIn(ports, person, request, now);
  if (joined && !joined.ok) {
    await ports.joins.reopen(id);
    return joined;
  }
  const { compiled } = await seenBy(ports.book, person);
  await ports.letters.put(
    answerLetter(request, groupName(compiled, request.group), joined?.value ?? null, word),
  );
  const number = joined?.value.id ?? null;
  await ports.joins.settle(id, number);
  return done({ person: number });
}

/** @param joined null: they are not let in. */
function answerLetter(
  { name, email }: JoinRequest,
  kind: string,
  joined: { readonly id: string; readonly card: string | null } | null,
  word: string,
): Pick<Letter, 'to' | 'subject' | 'text'> {
  const told = joined
    ? [
        `you are let in to ${kind}. Your number is ${joined.id}.`,
        joined.card === null
          ? 'The card that you have goes on.'
          : `Show this card number at the till: ${joined.card}`,
      ]
    : [`we cannot let you in to ${kind}.`];
  return {
    to: email,
    subject: joined ? `Welcome to ${kind}` : `About ${kind}`,
    text: [`Dear ${name},`, ...told, ...(word === '' ? [] : [word])].join('\n\n'),
  };
}

/** Somebody new with a card; or whoever proved this address before, of one more kind. */
async function letIn(
  ports: KeepPorts,
  person: Person,
  { name, email, group }: JoinRequest,
  now: Date,
): Promise<Outcome<{ id: string; card: string | null }>> {
  const [known, ...others] = await ports.shoppers.ofEmail(email);
  if (!known || others.length > 0 || known.cards.length === 0)
    return addShopper(ports, person, { name, email, groups: [group], card: null }, now);
  const groups = [...new Set([...known.groups, group])];
  await ports.shoppers.change(known.id, { name: known.name, email: known.email, groups }, person.id, now);
  return done({ id: known.id, card: null });
}

const answeredBefore = () =>
  invalid(['answer'], 'somebody answered this request before', 'a look at the list');
