// What the gate is, in a process of its own: who began it may be busy while the database is talked to.
import { connect, createServer } from 'node:net';

const [host, behind, port] = process.argv.slice(2);
const pairs = new Set();
let state = 'open';

const hush = ({ near, far }) => {
  for (const socket of [near, far]) socket.unpipe().pause();
};
const hear = ({ near, far }) => {
  near.pipe(far);
  far.pipe(near);
};

const server = createServer((near) => {
  if (state === 'shut') return near.destroy();
  const pair = { near, far: connect(Number(behind), host) };
  pairs.add(pair);
  const end = () => {
    pairs.delete(pair);
    pair.near.destroy();
    pair.far.destroy();
  };
  for (const socket of [pair.near, pair.far]) socket.on('error', end).on('close', end);
  if (state === 'open') hear(pair);
});

const SET = {
  // What fell silent stays so for good, as where whoever stood between has forgotten it: only new ones pass.
  open: () => {},
  silent: () => pairs.forEach(hush),
  shut: () => {
    for (const { near } of pairs) near.destroy();
  },
};
process.on('message', (next) => {
  state = next;
  SET[next]();
  process.send(next);
});
process.on('disconnect', () => process.exit());
server.listen(Number(port), '127.0.0.1', () => process.send('open'));
