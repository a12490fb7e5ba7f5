// Preloaded into a server under test (`node --import`): tells at its end, or on SIGUSR2, how long its loop was held up.
import { monitorEventLoopDelay } from 'node:perf_hooks';

const delay = monitorEventLoopDelay({ resolution: 5 });
delay.enable();
const tell = () => {
  process.stderr.write(`\nloop ${(delay.max / 1e6).toFixed(0)} ms\n`);
  delay.reset();
};
process.on('SIGUSR2', tell);
