import { readlinkSync } from 'node:fs';
import { setPriority } from 'node:os';

/** Nice enough that whoever serves goes first wherever both want a core. */
const NICENESS = 10;

/**
 * Lets the thread that calls this give way to those that serve. Linux counts threads as it counts processes; where
 * that cannot be had, all goes on as equals.
 */
export function giveWay(): void {
  try {
    const thread = Number(readlinkSync('/proc/thread-self').split('/').at(-1));
    setPriority(thread, NICENESS);
  } catch {
    // Another system, or none that lets us.
  }
}
