import { type ChildProcess, spawn } from 'node:child_process';
import { freePort } from './free-port.ts';
import { running } from './running.ts';
import { until } from './until.ts';

export interface FurtherServer {
  readonly origin: string;
  readonly process: ChildProcess;
  stop(): Promise<number | null>;
}

/** One more server beside the application of all tests. @param more over what a server is told. */
export async function furtherServer(more: Readonly<Record<string, string>>): Promise<FurtherServer> {
  const port = await freePort();
  const origin = `http://127.0.0.1:${port}`;
  const child = spawn('node', ['dist/server.mjs'], {
    env: {
      ...process.env,
      ...{ DATABASE_URL: running().databaseUrl, BELLTAG_SECRET: running().secret, BELLTAG_ORIGIN: origin },
      ...{ PORT: String(port), HOST: '127.0.0.1', BELLTAG_THREADS: '2' },
      ...{ NODE_ENV: 'production', BELLTAG_LOG: 'error', ...more },
    },
    stdio: 'ignore',
  });
  const gone = new Promise<number | null>((resolve) => child.once('exit', resolve));
  const asked = () =>
    fetch(`${origin}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    );
  await until(asked, (answers) => answers);
  return {
    origin,
    process: child,
    stop() {
      child.kill('SIGTERM');
      return gone;
    },
  };
}
