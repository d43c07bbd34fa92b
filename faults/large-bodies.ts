import { strToU8, zipSync } from 'fflate';
import { type Answer, asker, beside, ms } from './asker.ts';
import { memoryOf, type Processes } from './processes.ts';

const MB = 1_000_000;

/** A stream of so many bytes that does not say how many there are. */
function unsaid(megabytes: number): ReadableStream<Uint8Array> {
  let left = megabytes;
  return new ReadableStream({
    pull(controller) {
      if (left-- <= 0) return controller.close();
      controller.enqueue(new Uint8Array(MB).fill(0x20));
    },
  });
}

const sheetOf = (inside: string): Uint8Array =>
  zipSync({ 'xl/worksheets/sheet1.xml': strToU8(`<worksheet><sheetData>${inside}</sheetData></worksheet>`) });
const CORNER = '<row r="1048576"><c r="XFD1048576" t="inlineStr"><is><t>x</t></is></c></row>';

/** Bodies that are too large, too deep or unpack to too much: how they are answered, and what memory they took. */
export async function sendLargeBodies(origin: string, running: Processes): Promise<string[]> {
  const nobody = await asker(origin, null);
  const planner = await asker(origin, 'ines');
  const other = await asker(origin, 'rufus');
  const lines = (count: number) =>
    Array.from({ length: count }, (_, i) => `Q${100_000 + i};x;1.00`).join('\n');
  // Made before: what is made while a price is asked beside it would be measured with it.
  const corner = sheetOf(CORNER);
  const huge = zipSync({ 'xl/sharedStrings.xml': new Uint8Array(500 * MB) });
  const [many, tooMany] = [100_000, 300_000].map((count) => `sku;name;cost\n${lines(count)}`);
  const deep = '['.repeat(2_000_000) + ']'.repeat(2_000_000);
  const keys = JSON.stringify(Object.fromEntries(Array.from({ length: 100_000 }, (_, i) => [`k${i}`, 1])));
  const sixty = new Uint8Array(60 * MB);
  const cases: [string, () => Promise<Answer>][] = [
    ['60 MB to the sign-in, by nobody', () => nobody.ask('/api/sign-in', { method: 'POST', body: sixty })],
    [
      '60 MB to the sign-in, its length unsaid',
      () => nobody.ask('/api/sign-in', { method: 'POST', body: unsaid(60), duplex: 'half' }),
    ],
    [
      '60 MB to the demo sign-in, its length unsaid',
      () => nobody.ask('/api/demo-sign-in', { method: 'POST', body: unsaid(60), duplex: 'half' }),
    ],
    [
      '60 MB as a till’s report, by nobody',
      () => nobody.ask('/api/till/state', { method: 'POST', body: unsaid(60), duplex: 'half' }),
    ],
    [
      '60 MB as a promotion',
      () => planner.ask('/api/promotions/preview', { method: 'POST', body: unsaid(60), duplex: 'half' }),
    ],
    [
      'JSON nested 2,000,000 deep',
      () =>
        planner.ask('/api/promotions/preview', {
          method: 'POST',
          body: deep,
        }),
    ],
    ['an object of 100,000 keys', () => planner.ask('/api/selection', { method: 'POST', body: keys })],
    [
      'a spreadsheet with one cell at its far corner',
      () => planner.ask('/api/stockroom/items/file?dry=1', { method: 'POST', body: corner as BodyInit }),
    ],
    [
      'a spreadsheet that unpacks to 500 MB',
      () =>
        planner.ask('/api/stockroom/items/file?dry=1', {
          method: 'POST',
          body: huge as BodyInit,
        }),
    ],
    [
      'a CSV of 300,000 lines',
      () =>
        planner.ask('/api/stockroom/items/file?dry=1', {
          method: 'POST',
          body: tooMany!,
        }),
    ],
    [
      'a CSV of 100,000 lines, dry',
      () =>
        planner.ask('/api/stockroom/items/file?dry=1', {
          method: 'POST',
          body: many!,
        }),
    ],
  ];
  const told: string[] = [];
  for (const [what, run] of cases) {
    const before = memoryOf(await running.application()).now;
    const { value, worst } = await beside(other, run);
    const after = memoryOf(await running.application());
    const said = value.status === 0 ? 'cut off' : String(value.status);
    told.push(
      `  ${what}: ${said} after ${ms(value.took)}, ${(after.now - before).toFixed(0)} MB more; another person’s price ${ms(worst)} at worst`,
    );
  }
  const { most } = memoryOf(await running.application());
  return [`large bodies, at most ${most.toFixed(0)} MB held by the application:`, ...told];
}
