import { mkdirSync, writeFileSync } from 'node:fs';
import { eq } from 'drizzle-orm';
import { houseRules } from '../../demo/house-rules.ts';
import { KEPT_BASKETS } from '../../demo/kept-baskets.ts';
import { WORDS } from '../../demo/words.ts';
import { DEMO_PASSWORD, DEMO_PEOPLE } from '../../src/contracts/demo-people.ts';
import { parsePlan } from '../../src/contracts/index.ts';
import type { Instant } from '../../src/core/calendar/index.ts';
import type { PlanDocument, PromotionDocument } from '../../src/core/plan/index.ts';
import {
  basketCheckRepository,
  type Database,
  heldBackRepository,
  planRepository,
  promotionRepository,
  schema,
  sendingRepository,
} from '../../src/db/index.ts';
import type { Environment } from '../../src/server/machine/environment.ts';
import { signInService } from '../../src/server/sign-in.ts';
import { livePlanBook } from '../../src/server/standing/live-plan-book.ts';
import { codeSeal, newTerminalKey, signingKeys } from '../../src/server/standing/signing.ts';
import { priceFileMaker, sendPriceFiles, storeComparison } from '../../src/usecases/index.ts';
import { demoCodes } from './demo-codes.ts';
import { demoShoppers } from './demo-shoppers.ts';

/** Saved after the first rollout, so that there is something to review and send. */
const NOT_SENT_YET = ['photo-cost', 'night-cream-clear'];

/** Quillmere with its people, its terminals' keys and a first rollout. */
export async function loadDemo(
  db: Database,
  environment: Environment,
  document: PlanDocument,
  tillFolder: string,
): Promise<void> {
  const early = {
    ...document,
    promotions: document.promotions.filter(({ id }) => !NOT_SENT_YET.includes(id)),
  };
  const parsed = parsePlan(early);
  if (!parsed.ok) throw new Error(`the demo chain has faults: ${JSON.stringify(parsed.faults.slice(0, 3))}`);
  await planRepository(db).replace(early, 'set-up');
  const house = houseRules(new Date().getUTCFullYear());
  await db.update(schema.chain).set({ demo: true, words: WORDS, houseRules: house });
  await loadPeople(db, environment);
  await giveKeys(db, document, environment, tillFolder);
  const book = livePlanBook(db);
  const sending = sendingRepository(db);
  const heldBack = heldBackRepository(db);
  const compare = storeComparison(sending, heldBack);
  const maker = priceFileMaker({ book, sending, signer: signingKeys(db) });
  const ports = { book, sending, heldBack, compare, maker };
  const { version } = await book.current();
  const setUp = {
    id: 'set-up',
    name: 'Set-up',
    email: '',
    role: 'administrator',
    costs: true,
    stores: null,
  } as const;
  await sendPriceFiles(ports, setUp, { stores: null, planVersion: version, held: [] }, Date.now() as Instant);
  const promotions = promotionRepository(db);
  for (const promotion of document.promotions.filter(({ id }) => NOT_SENT_YET.includes(id))) {
    await promotions.save(promotion, null, { person: 'set-up', action: 'created' });
  }
  await writeProposals(db, document);
  const checks = basketCheckRepository(db);
  const sealed = { db, codeSeal: codeSeal(environment.secret) };
  await demoCodes(sealed, document, await idOf(db, INES), Date.now());
  await demoShoppers(sealed, document, await idOf(db, INES), Date.now());
  for (const kept of KEPT_BASKETS) await checks.put({ ...kept, atLeast: null, result: null }, 'set-up');
}

const INES = 'ines@quillmere.example';

async function idOf(db: Database, email: string): Promise<string> {
  const [person] = await db
    .select({ id: schema.person.id })
    .from(schema.person)
    .where(eq(schema.person.email, email));
  return person!.id;
}

/** What waits for approval on the first day: a draft, and a change of something that runs. */
async function writeProposals(db: Database, { promotions: all }: PlanDocument): Promise<void> {
  const ines = await idOf(db, INES);
  const promotions = promotionRepository(db);
  const waits = (document: PromotionDocument | null) => ({
    document,
    writtenBy: ines,
    submittedBy: ines,
    submittedAt: new Date().toISOString(),
    approvedBy: null,
    returned: null,
  });
  const submit = async (id: string, change: (promotion: PromotionDocument) => PromotionDocument | null) => {
    const promotion = all.find((one) => one.id === id)!;
    const proposal = waits(change(promotion));
    await promotions.save(promotion, 1, { person: ines, action: 'submitted', proposal });
  };
  await submit('sun-next', () => null);
  await submit('sun-weekend', (promotion) => ({
    ...promotion,
    offer: { ...promotion.offer, formula: { percentOff: 2000 } } as PromotionDocument['offer'],
  }));
}

async function loadPeople(db: Database, environment: Environment): Promise<void> {
  const signIn = signInService(db, environment);
  for (const { name, email, role, stores, costs = true } of DEMO_PEOPLE) {
    const { user } = await signIn.api.signUpEmail({ body: { name, email, password: DEMO_PASSWORD } });
    await db
      .update(schema.person)
      .set({ role, demo: true, seesCosts: costs })
      .where(eq(schema.person.id, user.id));
    for (const store of stores ?? []) await db.insert(schema.personStore).values({ person: user.id, store });
  }
}

/** Keys are shown once, to the tills themselves; the database keeps their hashes. */
async function giveKeys(
  db: Database,
  document: PlanDocument,
  environment: Environment,
  folder: string,
): Promise<void> {
  const { publicKey } = await signingKeys(db).newest();
  const zones = new Map(document.stores.map(({ id, timeZone }) => [id, timeZone]));
  const tills = [];
  for (const { id, store } of document.terminals ?? []) {
    const { text: key, hash: keyHash } = newTerminalKey();
    await db.update(schema.terminal).set({ keyHash }).where(eq(schema.terminal.id, id));
    tills.push({ id, store, key, timeZone: zones.get(store) });
  }
  mkdirSync(folder, { recursive: true });
  // Two are off from the start: a chain of any size has some.
  const off = [tills[4]?.id, tills[57]?.id];
  writeFileSync(
    `${folder}/tills.json`,
    JSON.stringify({ server: environment.origin, publicKey, off, tills }),
    { mode: 0o600 },
  );
}
