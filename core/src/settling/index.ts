export type { Creep, Law } from './creep.ts';
export { creepAt, holdTime, roundsLeft } from './creep.ts';
export type { CreepFit, Settling, SettlingEvent, SettlingReading } from './fit.ts';
export { akaike, settle } from './fit.ts';
export type { Hold, Standing } from './forecast.ts';
export { FARTHEST, holdOf } from './forecast.ts';
