import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import type { PriceFileEnvelope } from '../contracts/index.ts';
import { picturesIn } from '../core/price-file/index.ts';
import { hashOfKey } from '../signing/index.ts';
import type { KeyedTerminal, SendingStore } from '../usecases/ports/index.ts';
import { log } from './machine/log.ts';

/** How old what is known of keys and newest files may be: so long a key lives on after it was taken back. */
const GOOD_FOR = 2_000;
/** Packed envelopes that are kept at hand. */
const KEPT_BYTES = 160_000_000;
const MOST_KEPT = 10_000;

/**
 * What terminals ask, from memory: thousands of them ask every few seconds, nearly always for nothing new. What is
 * known is read from the database once for all of them, every two seconds at most.
 */
export interface TerminalDesk {
  /** Whose key it is; null where nobody's. */
  terminalOf(key: string): Promise<KeyedTerminal | null>;
  /** A terminal was handed its whole file. */
  gaveWhole(terminal: string): void;
  /** The number of the newest file of a store; null where none was made. */
  newestNumber(store: string): Promise<number | null>;
  /** The envelope of a file, JSON gzipped. */
  envelope(store: string, number: number): Promise<Uint8Array | null>;
  /** What makes a file of the one that a terminal has, JSON gzipped; null: it gets the whole. */
  change(
    store: string,
    number: number,
    has: { readonly number: number; readonly sha256: string },
  ): Promise<Uint8Array | null>;
  /** Something was made, by whatever server: what is known is read anew. */
  look(): void;
  /** The pictures that a file names. */
  picturesOf(store: string, number: number): Promise<ReadonlySet<string>>;
}

interface Known {
  readonly keys: ReadonlyMap<string, KeyedTerminal>;
  readonly numbers: ReadonlyMap<string, number>;
  readonly at: number;
}

export function terminalDesk(sending: SendingStore, clock: () => number = Date.now): TerminalDesk {
  let known: Known | null = null;
  let reading: Promise<Known> | null = null;

  async function read(): Promise<Known> {
    const at = clock();
    const [keys, numbers] = await Promise.all([sending.terminalKeys(), sending.newestNumbers()]);
    known = { keys, numbers, at };
    return known;
  }

  function current(): Known | Promise<Known> {
    if (known && clock() - known.at < GOOD_FOR) return known;
    if (!reading) {
      const begun = read().finally(() => {
        if (reading === begun) reading = null;
      });
      reading = begun;
    }
    return reading;
  }

  const envelopes = keptPacked(sending.envelope, (packed) => packed?.length ?? null);
  // That a file goes as a whole stays so.
  const changes = keptPacked(sending.change, (found) => found?.packed.length ?? 0);
  const pictures = new Map<string, ReadonlySet<string>>();
  return {
    terminalOf: async (key) => (await current()).keys.get(hashOfKey(key)) ?? null,
    newestNumber: async (store) => (await current()).numbers.get(store) ?? null,
    envelope: envelopes,
    gaveWhole(terminal) {
      // Where that cannot be noted it is handed it once more, which changes nothing.
      sending.gaveWhole(terminal).catch((error: unknown) => log.warn({ err: error, terminal }, 'not noted'));
    },
    look() {
      known = null;
      // What is being read may be from before.
      reading = null;
    },
    async change(store, number, has) {
      const change = await changes(store, number);
      return change && change.from === has.number && change.fromSha256 === has.sha256 ? change.packed : null;
    },
    async picturesOf(store, number) {
      const name = `${store}\n${number}`;
      const found = pictures.get(name);
      if (found) return found;
      const packed = await envelopes(store, number);
      if (!packed) return new Set();
      const { content } = JSON.parse((await unpack(packed)).toString('utf8')) as PriceFileEnvelope;
      const named = picturesIn(content);
      if (pictures.size > 2_000) pictures.clear();
      pictures.set(name, named);
      return named;
    },
  };
}

const unpack = promisify(gunzip);

type Reading<T> = (store: string, number: number) => Promise<T | null>;

/**
 * What is at hand, the one that was asked for longest ago goes first; each is read once however many ask for it.
 * @param sizeOf in bytes; null: it is not kept.
 */
function keptPacked<T>(readOne: Reading<T>, sizeOf: (one: T | null) => number | null): Reading<T> {
  const kept = new Map<string, Promise<T | null>>();
  const sizes = new Map<string, number>();
  let bytes = 0;
  const forget = (name: string) => {
    kept.delete(name);
    bytes -= sizes.get(name) ?? 0;
    sizes.delete(name);
  };
  return (store, number) => {
    const name = `${store}\n${number}`;
    const found = kept.get(name);
    if (found) {
      kept.delete(name);
      kept.set(name, found);
      return found;
    }
    const read = readOne(store, number);
    kept.set(name, read);
    read.then(
      (packed) => {
        const size = sizeOf(packed);
        if (size === null) return forget(name);
        sizes.set(name, size);
        bytes += size;
        for (const oldest of kept.keys()) {
          if (bytes <= KEPT_BYTES && kept.size <= MOST_KEPT) break;
          if (sizes.has(oldest)) forget(oldest);
        }
      },
      () => forget(name),
    );
    return read;
  };
}
