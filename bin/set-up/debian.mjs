import { spawnSync } from 'node:child_process';
import { SetUpFault, say } from './say.mjs';

/** Installs a Debian package; says what to do where that cannot be done from here. */
export function installDebianPackage(name, why) {
  const byHand = `Install it with "apt-get install ${name}" and run this again.`;
  if (spawnSync('apt-get', ['--version']).status !== 0)
    throw new SetUpFault(`${why}, and apt-get is not on this machine. Install ${name} and run this again.`);
  if (process.getuid?.() !== 0)
    throw new SetUpFault(
      `${why}, and only root may install it. ${byHand.replace('"apt-get', '"sudo apt-get')}`,
    );
  say(`Installing ${name} from Debian's packages …`);
  const options = {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  };
  spawnSync('apt-get', ['update', '-qq'], options);
  if (spawnSync('apt-get', ['install', '-y', '-qq', name], options).status !== 0)
    throw new SetUpFault(`${why}, and installing it failed. ${byHand}`);
}
