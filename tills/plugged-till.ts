import type { Till } from './till-ports.ts';
import { PowerCut } from './troubled-disk.ts';

/** So long a till is dark after its power went. */
const DARK_FOR = 2_000;

export interface PluggedTill extends Till {
  /** Whether its power is gone at the moment. */
  isDark(): boolean;
}

/**
 * A till on a plug: where its power goes it forgets all that it had not on its disk, and begins from that once it comes
 * back.
 * @param begin a till that knows nothing but its disk.
 */
export function pluggedTill(begin: () => Till, wait: (ms: number) => Promise<void>): PluggedTill {
  let inner = begin();
  let dark = false;
  async function cut(): Promise<void> {
    const wasOn = inner.isOn();
    dark = true;
    await wait(DARK_FOR);
    inner = begin();
    inner.switchOn(wasOn);
    dark = false;
  }
  return {
    state: () => inner.state(),
    isOn: () => !dark && inner.isOn(),
    isDark: () => dark,
    async poll() {
      if (dark) return true;
      try {
        return await inner.poll();
      } catch (error) {
        if (!(error instanceof PowerCut)) throw error;
        await cut();
        return true;
      }
    },
    ring: (code, group) => (dark ? null : inner.ring(code, group)),
    picture: (id) => inner.picture(id),
    ringBasket: async (basket, name) => (dark ? null : inner.ringBasket(basket, name)),
    paid: (name) => inner.paid(name),
    dropped: (name) => inner.dropped(name),
    switchOn: (on) => inner.switchOn(on),
    key: () => inner.key(),
    putKey: (key) => inner.putKey(key),
    setClock: (wall) => inner.setClock(wall),
    setDelay: (ms) => inner.setDelay(ms),
  };
}
