export { type EarVerdict, earVerdict } from './byEar.ts';
export type { Fault, FaultFacts, Rule } from './facts.ts';
export { faultOf } from './faults.ts';
export type { CoachString, CoachView, HeardPluck, TurnSize } from './heard.ts';
export { type Moved, type NamedString, type NextStep, nextStep, type Outlook } from './next.ts';
export { soundedTogether } from './refusal.ts';
export { type Ringing, ringingOf } from './ringing.ts';
export { type Called, type TurnCall, turnCall } from './turning.ts';
export { type PegStand, pegStand, reversalOf, turnsToSay } from './turns.ts';
