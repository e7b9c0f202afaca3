export { Cancelled, doAside } from './job.ts';
export { connect, type Line } from './line.ts';
export type { Progress } from './protocol.ts';
export { Watchdog } from './watchdog.ts';
