export type { BestOrder, OrderProblem } from './order.ts';
export { bestOrder } from './order.ts';
export type { FineStep, Manner, OrderReason, Plan, PlanOrder, PlanStep } from './plan.ts';
export { planRetune } from './plan.ts';
export type { PlanString, Retune } from './strings.ts';
export { planStrings } from './strings.ts';
export type { OtherString, PlanWarning } from './warnings.ts';
export { type FrozenWay, frozenWay, type Way, wayTo } from './way.ts';
