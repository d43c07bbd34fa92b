import { keptOnDisk } from './kept-on-disk.ts';
import { pictureDisk } from './picture-disk.ts';
import { type PluggedTill, pluggedTill } from './plugged-till.ts';
import { priceFileDisk } from './price-file-disk.ts';
import type { Ringer } from './ring.ts';
import type { Scenario, TillTrouble } from './scenario.ts';
import { till } from './till.ts';
import type { TillIdentity } from './till-ports.ts';
import { type DiskTrouble, troubledDisk } from './troubled-disk.ts';

export interface HousePorts {
  readonly server: string;
  readonly publicKey: string;
  readonly ringer: Ringer;
  now(): number;
  wait(ms: number): Promise<void>;
}

/** A till, and what is made to happen to it. */
export interface HousedTill {
  readonly identity: TillIdentity;
  readonly till: PluggedTill;
  readonly trouble: { disk: DiskTrouble; old: boolean };
}

/** The simulated tills, each with a disk of its own in a folder of its own. */
export interface House {
  readonly tills: ReadonlyMap<string, HousedTill>;
  /** Makes a scenario happen to all of them. */
  play(scenario: Scenario): void;
}

export function house(identities: readonly TillIdentity[], folder: string, ports: HousePorts): House {
  const tills = new Map(identities.map((identity) => [identity.id, housed(identity, folder, ports)]));
  return {
    tills,
    play(scenario) {
      [...tills.values()].forEach((one, nth) => {
        befall(one, scenario.troubleOf(nth), ports.now());
      });
    },
  };
}

function housed(identity: TillIdentity, folder: string, ports: HousePorts): HousedTill {
  const trouble: HousedTill['trouble'] = { disk: 'none', old: false };
  const own = `${folder}/${identity.id}`;
  const disk = troubledDisk(priceFileDisk(own), own, () => {
    const now = trouble.disk;
    // The power comes back, and goes no more.
    if (now === 'power-cut') trouble.disk = 'none';
    return now;
  });
  const begin = () =>
    till(identity, {
      ...{ server: ports.server, publicKey: ports.publicKey, ringer: ports.ringer, now: ports.now },
      disk,
      keys: keptOnDisk(`${own}/keys.json`),
      vouched: keptOnDisk(`${own}/vouched.json`),
      pictures: pictureDisk(own),
      ownKey: keptOnDisk(`${own}/own-key.json`),
      uses: keptOnDisk(`${own}/uses.json`),
      old: () => trouble.old,
    });
  return { identity, till: pluggedTill(begin, ports.wait), trouble };
}

const MINUTE = 60_000;

function befall({ till: one, trouble }: HousedTill, said: TillTrouble, now: number): void {
  one.switchOn(said.on);
  one.setDelay(said.delay);
  one.setClock(
    said.clockOff === 0 ? null : `${new Date(now + said.clockOff * MINUTE).toISOString().slice(0, 19)}Z`,
  );
  trouble.disk = said.disk;
  trouble.old = said.old;
}
