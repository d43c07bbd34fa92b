import { setTimeout as pause } from 'node:timers/promises';
import { type HeavyDesk, heavyDesk } from './heavy/heavy-desk.ts';
import { now } from './machine/clock.ts';
import { type Environment, readEnvironment } from './machine/environment.ts';
import { log } from './machine/log.ts';
import { type RestoreWatch, restoreWatch } from './restore-watch.ts';
import { type SignIn, signInService } from './sign-in.ts';
import { type SignInTries, signInTries } from './sign-in-tries.ts';
import { type Ports, portsOf } from './standing/ports.ts';
import { type TerminalDesk, terminalDesk } from './terminal-desk.ts';
import { type Vouching, vouching } from './vouching.ts';
import { watchPlan } from './watch-plan.ts';

/** Everything that an endpoint may use, put together once. */
export interface App extends Omit<Ports, 'book' | 'past' | 'compare'> {
  readonly environment: Environment;
  readonly signIn: SignIn;
  readonly tries: SignInTries;
  readonly heavy: HeavyDesk;
  readonly terminals: TerminalDesk;
  readonly vouching: Vouching;
  readonly restores: RestoreWatch;
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
  return {
    ...ports,
    terminals,
    vouching: vouching(terminals, ports.signer),
    restores,
    environment,
    signIn: signInService(ports.db, environment),
    tries: signInTries(ports.db),
    heavy,
  };
}

/** The plan is looked through for what may be wrong once nobody has changed it for so long. */
const REST = 15_000;
/** Baskets that lose money are searched for later still, unless somebody who is about to send asks before. */
const LONG_REST = 60_000;
/** Whoever waits for a thread goes first. */
const BETWEEN_SEARCHES = 1_000;

/** Whether price files are half over is looked at so often. */
const RENEWED_EVERY = 3_600_000;

/** What nobody changes goes out again before it is over: no terminal is left with a file that says so. */
function renewing(application: App): App {
  const look = () =>
    application.heavy
      .value('', 'renewPriceFiles', now())
      .then((stores) => {
        if (stores > 0) log.info({ stores }, 'price files were renewed');
      })
      .catch((error: unknown) => log.error({ err: error }, 'price files could not be renewed'));
  setInterval(look, RENEWED_EVERY).unref();
  return application;
}

/** Kept baskets are rung again whenever the plan has changed, whoever changed it; what may be wrong is found later. */
function kept(application: App): App {
  let resting: NodeJS.Timeout | undefined;
  let begun = false;
  /** Stops by itself once the plan has changed: then it rests again first. */
  const searchOn = async (): Promise<void> => {
    const since = resting;
    await pause(LONG_REST, undefined, { ref: false });
    while (since === resting && (await application.heavy.value('', 'keepLoopholes', now())))
      await pause(BETWEEN_SEARCHES, undefined, { ref: false });
  };
  const look = () =>
    application.heavy
      .value('', 'keepFindings', now())
      .then(searchOn)
      .catch((error: unknown) => log.error({ err: error }, 'the plan could not be looked through'));
  watchPlan(application.environment.databaseUrl, async () => {
    if (!begun) await Promise.all([application.findings.forget(), application.loopholes.forget()]);
    begun = true;
    await application.heavy.value('', 'keepPast');
    await application.heavy.value('', 'runBasketChecks', { stores: null }, now());
    clearTimeout(resting);
    resting = setTimeout(look, REST);
    resting.unref();
  });
  return application;
}

// The one place where the process keeps its own state: put together at the first request. Nothing in it asks the
// database yet, so that one that is away fails the question and not the application.
let running: App | undefined;

export function app(): App {
  running ??= renewing(kept(createApp(readEnvironment(process.env))));
  return running;
}
