import { readFileSync } from 'node:fs';

/** What a process is, once it runs; a part that died is begun again after a pause. */
async function once(find: () => number): Promise<number> {
  for (let tries = 0; ; tries++) {
    try {
      return find();
    } catch (error) {
      if (tries > 400) throw error;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
}

/** The processes of this run, by what they are; each may have begun anew since it was last asked for. */
export interface Processes {
  application(): Promise<number>;
  worker(): Promise<number>;
  tills(): Promise<number>;
  database(): Promise<number>;
}

const wordsOf = (pid: number): string => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
  } catch {
    return '';
  }
};

/** @param folder the project's `.data`. */
export function processes(folder: string, name: string): Processes {
  const running = (part: string): number => {
    const { parts } = JSON.parse(readFileSync(`${folder}/${name}.running.json`, 'utf8')) as {
      parts: Partial<Record<string, number>>;
    };
    const pid = parts[part];
    if (pid === undefined || !wordsOf(pid).includes('dist/')) throw new Error(`The ${part} does not run.`);
    return pid;
  };
  return {
    application: () => once(() => running('application')),
    worker: () => once(() => running('worker')),
    tills: () => once(() => running('tills')),
    database: () =>
      once(() => Number(readFileSync(`${folder}/postgres-${name}/postmaster.pid`, 'utf8').split('\n')[0])),
  };
}

/** Megabytes that a process holds now, and has held at most. */
export function memoryOf(pid: number): { now: number; most: number } {
  const status = readFileSync(`/proc/${pid}/status`, 'utf8');
  const of = (name: string) => Number(new RegExp(`${name}:\\s+(\\d+)`).exec(status)?.[1] ?? 0) / 1000;
  return { now: of('VmRSS'), most: of('VmHWM') };
}
