import { type Answer, type Asker, asker, beside, ms } from './asker.ts';
import { type OddAskers, PATHS, QUERIES, targets, wholePromotion } from './odd-targets.ts';
import { ODD_LANGUAGES, ODD_RULES, ODD_TEXTS, ODD_VALUES } from './odd-values.ts';
import { placesIn, put } from './places.ts';

/** No question of another person is to wait for longer. */
const WANTED = 250;
/** A part of the name of a request: where one kind of them is looked into. */
const ONLY = process.env.FAULTS_ONLY ?? '';

interface Tried {
  readonly what: string;
  readonly answer: Answer;
}

/** Every odd value in every place, one after another in four rows; what fails on our side is told. */
export async function tryOddInputs(origin: string): Promise<string[]> {
  const [viewer, planner, approver, administrator, other] = (await Promise.all(
    ['odile', 'ines', 'rufus', 'basil', 'tove'].map((name) => asker(origin, name)),
  )) as [Asker, Asker, Asker, Asker, Asker];
  const askers = { viewer, planner, approver, administrator };
  const { promotion } = JSON.parse((await planner.ask('/api/promotions/face-week')).text);
  // Each page and each thread once, as on any morning: the first question to a program that has just begun is another matter.
  for (let round = 0; round < 3; round++)
    for (const [path, query] of QUERIES)
      for (const person of [viewer, other]) await person.ask(`${path}?${new URLSearchParams(query)}`);
  const all = [...queries(viewer), ...paths(viewer), ...languages(viewer), ...bodies(askers, promotion)];
  const requests = all.filter(({ what }) => what.includes(ONLY));
  const now = new Set<string>();
  const slow: string[] = [];
  const { value: tried, ...others } = await beside(
    other,
    () => inRows(requests, 4, now),
    '/api/price?store=s001&item=Q100181&at=2026-12-01T09:00',
    (took) => took > WANTED && slow.push(`${ms(took)} beside ${[...now].join(' | ')}`),
  );
  const failed = tried.filter(({ answer: { status } }) => status === 0 || status >= 500);
  const slowest = tried.reduce((a, b) => (b.answer.took > a.answer.took ? b : a));
  return [
    `odd inputs: ${tried.length} tried, ${failed.length} failed on our side`,
    `  slowest answer ${ms(slowest.answer.took)} (${slowest.what})`,
    `  a price question of another person beside it: worst ${ms(others.worst)}, p99 ${ms(others.p99)}, ${others.failed} of ${others.asked} failed`,
    ...slow.slice(0, 10).map((line) => `  slow: ${line}`),
    ...failed
      .slice(0, 10)
      .map(({ what, answer }) => `  FAILED ${answer.status} ${what}: ${answer.text.slice(0, 120)}`),
  ];
}

type Request = { readonly what: string; readonly run: () => Promise<Answer> };

async function inRows(requests: readonly Request[], rows: number, now: Set<string>): Promise<Tried[]> {
  const tried: Tried[] = [];
  let next = 0;
  const row = async () => {
    for (let request = requests[next++]; request; request = requests[next++]) {
      now.add(request.what);
      tried.push({ what: request.what, answer: await request.run() });
      now.delete(request.what);
    }
  };
  await Promise.all(Array.from({ length: rows }, row));
  return tried;
}

function queries(person: Asker): Request[] {
  return QUERIES.flatMap(([path, query]) =>
    Object.keys(query).flatMap((key) =>
      ODD_TEXTS.map((odd) => {
        const asked = `${path}?${new URLSearchParams({ ...query, [key]: odd })}`;
        return { what: `GET ${path} ${key}=${shortened(odd)}`, run: () => person.ask(asked) };
      }),
    ),
  );
}

function languages(person: Asker): Request[] {
  return ODD_LANGUAGES.flatMap((language) =>
    ['/today', '/api/promotions/face-week'].map((path) => ({
      what: `GET ${path} in ${shortened(language)}`,
      run: () => person.ask(path, { headers: { 'accept-language': language } }),
    })),
  );
}

function paths(person: Asker): Request[] {
  return PATHS.flatMap((path) =>
    ODD_TEXTS.flatMap((odd) =>
      [odd.isWellFormed() ? encodeURIComponent(odd) : '%ED%A0%80', '%00', `~${odd.length}`].map((part) => ({
        what: `GET ${path}${shortened(part)}`,
        run: () => person.ask(path + part),
      })),
    ),
  );
}

function bodies(askers: OddAskers, promotion: object): Request[] {
  const whole = wholePromotion(promotion);
  const leaves = targets(askers, whole).flatMap(([method, person, path, body]) =>
    placesIn(body).flatMap((place) =>
      ODD_VALUES.map((odd) => ({
        what: `${method} ${path} /${place.join('/')}=${shortened(JSON.stringify(odd) ?? '')}`,
        run: () => person.send(method, path, put(body, place, odd)),
      })),
    ),
  );
  const rules = ODD_RULES.flatMap((rrule) =>
    ['/api/promotions/preview', '/api/promotions'].map((path) => ({
      what: `POST ${path} ${rrule.slice(0, 60)}`,
      run: () =>
        askers.planner.send(
          'POST',
          path,
          put({ promotion: whole }, ['promotion', 'when', 'repeat', 'rrule'], rrule),
        ),
    })),
  );
  return [...leaves, ...rules];
}

const shortened = (text: string): string => JSON.stringify(text.slice(0, 30));
