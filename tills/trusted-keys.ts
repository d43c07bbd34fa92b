import { parseCertificates } from '../src/contracts/index.ts';
import { learn, type Trust, trustIn } from '../src/signing/index.ts';
import type { KeptOnDisk } from './kept-on-disk.ts';

/** Keys as they lie on the disk of a till. */
export interface KeptKeys {
  readonly keys: readonly (readonly [id: string, publicKey: string])[];
  readonly withdrawn: readonly string[];
}

/** The keys that a till trusts: the one it was given by hand, and those that were vouched for since. */
export interface TrustedKeys {
  trust(): Trust;
  /** Learns from what the server handed out. @returns whether anything is new. */
  learnFrom(raw: unknown): boolean;
}

export function trustedKeys(publicKey: string, disk: KeptOnDisk<KeptKeys>): TrustedKeys {
  let trust = fromDisk(publicKey, disk);
  return {
    trust: () => trust,
    learnFrom(raw) {
      const shaped = parseCertificates(raw);
      if (!shaped.ok) return false;
      const next = learn(trust, shaped.value.keys);
      const isNew = [...next.keys.keys()].join() !== [...trust.keys.keys()].join();
      trust = next;
      if (isNew) disk.write({ keys: [...trust.keys], withdrawn: [...trust.withdrawn] });
      return isNew;
    },
  };
}

/** What cannot be read is learned anew, from the key that was given by hand. */
function fromDisk(publicKey: string, disk: KeptOnDisk<KeptKeys>): Trust {
  const first = trustIn(publicKey);
  const kept = disk.read();
  if (!kept || !Array.isArray(kept.keys) || !Array.isArray(kept.withdrawn)) return first;
  const withdrawn = new Set(kept.withdrawn);
  const all: KeptKeys['keys'] = [...first.keys, ...kept.keys];
  const keys = new Map(all.filter(([id]) => !withdrawn.has(id)));
  return { keys, withdrawn };
}
