import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { inRoot } from './paths.mjs';
import { SetUpFault } from './say.mjs';

const noteOf = (name) => inRoot(`.data/${name}.running.json`);
const wordsOf = (pid) => {
  const path = `/proc/${pid}/cmdline`;
  return existsSync(path) ? readFileSync(path, 'utf8').replaceAll('\0', ' ') : '';
};
/** The number of a process that is long gone may belong to another program by now. */
const isOurScript = (pid) => /bin\/(start|test|bench|faults|shots)\.mjs/.test(wordsOf(pid));
const isOurProgram = (pid) => wordsOf(pid).includes(inRoot('dist'));

/**
 * Claims a name ("main", "test") for this run. Two runs on one data directory would stop each other's server; what a
 * killed run left running is stopped first.
 * @returns notes a program that was started, and gives the claim back.
 */
export async function claim(name) {
  const note = noteOf(name);
  const before = existsSync(note) ? JSON.parse(readFileSync(note, 'utf8')) : { script: 0, programs: [] };
  if (before.script && before.script !== process.pid && isOurScript(before.script))
    throw new SetUpFault(
      `Bell Tag already runs from this folder (process ${before.script}). Stop it first; to run a second one, use another clone.`,
    );
  for (const pid of before.programs.filter(isOurProgram)) await stopProcess(pid);
  const now = { script: process.pid, programs: [], parts: {} };
  const write = () => {
    mkdirSync(inRoot('.data'), { recursive: true });
    writeFileSync(note, JSON.stringify(now));
  };
  write();
  return {
    /** @param part what it is; of two that were begun one after the other it is the later one. */
    noteProgram(pid, part) {
      now.programs.push(pid);
      now.parts[part] = pid;
      write();
    },
    release: async () => rmSync(note, { force: true }),
  };
}

async function stopProcess(pid) {
  process.kill(pid, 'SIGTERM');
  for (let tries = 0; tries < 50 && wordsOf(pid) !== ''; tries++)
    await new Promise((resolve) => setTimeout(resolve, 100));
}
