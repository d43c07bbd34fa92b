import { randomUUID } from 'node:crypto';
import { type Channel, type OnceStore, onceRepository } from '../db/index.ts';
import { tellPrograms } from '../usecases/index.ts';
import type { Accounts } from '../usecases/ports/index.ts';
import { callProgram } from './call-program.ts';
import { type Directory, directoryOf } from './directory.ts';
import { hearDatabase } from './hear-database.ts';
import { type HeavyDesk, heavyDesk } from './heavy/heavy-desk.ts';
import { type JobName, jobs } from './jobs.ts';
import { now } from './machine/clock.ts';
import { type Environment, readEnvironment } from './machine/environment.ts';
import { log } from './machine/log.ts';
import { type NewsDesk, newsDesk } from './news.ts';
import { restingPlan } from './resting-plan.ts';
import { type RestoreWatch, restoreWatch } from './restore-watch.ts';
import { type SignIn, signInService } from './sign-in.ts';
import { type SignInTries, signInTries } from './sign-in-tries.ts';
import { accounts } from './standing/accounts.ts';
import { NoChain } from './standing/live-plan-book.ts';
import { type Ports, portsOf } from './standing/ports.ts';
import { type TerminalDesk, terminalDesk } from './terminal-desk.ts';
import { type Vouching, vouching } from './vouching.ts';

/** Everything that an endpoint may use, put together once. */
export interface App extends Omit<Ports, 'book' | 'past' | 'compare'> {
  readonly environment: Environment;
  readonly signIn: SignIn;
  readonly directory: Directory | null;
  readonly accounts: Accounts;
  readonly tries: SignInTries;
  readonly once: OnceStore;
  readonly heavy: HeavyDesk;
  readonly terminals: TerminalDesk;
  readonly vouching: Vouching;
  readonly restores: RestoreWatch;
  readonly news: NewsDesk;
}

const CONNECTIONS = 10;

function createApp(environment: Environment): App {
  // The plan is in the threads: the one that serves holds none.
  const { book: _, past: __, compare: ___, ...ports } = portsOf(environment, CONNECTIONS);
  const heavy = heavyDesk(environment, () => restores.planWentBack());
  const terminals = terminalDesk(ports.sending);
  const restores = restoreWatch({
    knownNumber: terminals.newestNumber,
    newestNumber: ports.sending.newestNumber,
    now,
    renew: (lost) => heavy.value('', 'renewEpoch', lost, now()),
  });
  const signIn = signInService(ports.db, environment);
  return {
    ...ports,
    terminals,
    vouching: vouching(terminals, ports.signer),
    restores,
    news: newsDesk(),
    environment,
    signIn,
    directory: directoryOf(ports.db, environment, signIn),
    accounts: accounts(signIn, ports.db),
    tries: signInTries(ports.db),
    once: onceRepository(ports.db),
    heavy,
  };
}

/** Seconds. The plan is looked through for what may be wrong once nobody has changed it for so long. */
const REST = 15;
/** Baskets that lose money are searched for later still, unless somebody who is about to send asks before. */
const LONG_REST = 60;
/** Milliseconds until other programs are told what happened. */
const TOLD_AFTER = 1_000;

/**
 * What is done by itself: kept baskets are rung again whenever the plan has changed, whoever changed it; what may be
 * wrong is found later; what nobody changes goes out again before it is over; what is approved goes out at its hour.
 */
function working(application: App): App {
  const { heavy, environment } = application;
  let changedAt = Date.now();
  /** Whether the plan has rested; else the job is put off until then. */
  const hasRested = async (job: JobName, seconds: number): Promise<boolean> => {
    const left = Math.ceil(seconds - (Date.now() - changedAt) / 1000);
    if (left > 0) await all.ask(job, left);
    return left <= 0;
  };
  const works: Record<JobName, () => Promise<void>> = {
    'ring-kept-baskets': async () => void (await heavy.value('', 'runBasketChecks', { stores: null }, now())),
    async 'look-through'() {
      if (!(await hasRested('look-through', REST))) return;
      await heavy.value('', 'keepFindings', now());
      await all.ask('search-loopholes', LONG_REST);
    },
    async 'search-loopholes'() {
      if (!(await hasRested('search-loopholes', LONG_REST))) return;
      if (await heavy.value('', 'keepLoopholes', now())) await all.ask('search-loopholes', 1);
    },
    async 'renew-price-files'() {
      const stores = await heavy.value('', 'renewPriceFiles', now());
      if (stores > 0) log.info({ stores }, 'price files were renewed');
    },
    async 'send-by-itself'() {
      const sent = await heavy.value('', 'sendByItself', now());
      if (sent) log.info(sent, 'what is approved was sent by itself');
    },
    async 'make-codes'() {
      while (await heavy.value('', 'fillCodeBatches'));
      await heavy.value('', 'throwOldListsAway', now());
    },
    async 'tell-programs'() {
      const more = await tellPrograms(application, callProgram, () => new Date(), randomUUID);
      if (more) await all.ask('tell-programs', 1);
    },
  };
  const all = jobs(environment.databaseUrl, environment.jobs ? onceBegun(works) : null);
  let begun = false;
  const planChanged = restingPlan(async () => {
    // Another version of the program may have found other things.
    if (!begun) await Promise.all([application.findings.forget(), application.loopholes.forget()]);
    begun = true;
    await heavy.value('', 'keepPast');
    await all.ask('ring-kept-baskets');
    await all.ask('look-through', REST);
  });
  // A moment later, and once: a thousand terminals that confirm at once are told together.
  let telling = false;
  const tellSoon = () => {
    if (telling) return;
    telling = true;
    setTimeout(() => {
      telling = false;
      all.ask('tell-programs').catch((error) => log.debug({ err: error }, 'told late'));
    }, TOLD_AFTER).unref();
  };
  // Whoever asked for some, at whichever server; and those that a server that died did not make.
  const askForCodes = () =>
    void all.ask('make-codes').catch((error) => log.debug({ err: error }, 'codes are made late'));
  const hear = (news: Channel) => {
    if (news === 'plan') changedAt = Date.now();
    if (news === 'plan') planChanged();
    if (news === 'codes') askForCodes();
    if (news !== 'keys' && news !== 'codes') tellSoon();
    if (news === 'files' || news === 'keys') application.terminals.look();
    application.news.tell(news);
  };
  const begin = () => {
    planChanged();
    askForCodes();
    application.terminals.look();
  };
  hearDatabase(environment.databaseUrl, ['plan', 'files', 'terminals', 'keys', 'codes'], {
    onNews: hear,
    onBegin: begin,
  });
  process.once('SIGTERM', () => {
    application.news.end();
    void all.stop();
  });
  return application;
}

/** Before a chain is begun there is nothing to do for it. */
const onceBegun = (works: Record<JobName, () => Promise<void>>): Record<JobName, () => Promise<void>> =>
  Object.fromEntries(
    Object.entries(works).map(([job, work]) => [
      job,
      () =>
        work().catch((error: unknown) => {
          if (!(error instanceof NoChain)) throw error;
        }),
    ]),
  ) as Record<JobName, () => Promise<void>>;

// The one place where the process keeps its own state: put together at the first request. Nothing in it asks the
// database yet, so that one that is away fails the question and not the application.
let running: App | undefined;

export function app(): App {
  running ??= working(createApp(readEnvironment(process.env)));
  return running;
}
