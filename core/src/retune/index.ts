export type { BestOrder, OrderProblem } from './order.ts';
export { bestOrder } from './order.ts';
export type { Plan, PlanOrder, PlanStep, PlanString, PlanWarning, Reference } from './plan.ts';
export { planRetune } from './plan.ts';
export type { Retune } from './strings.ts';
export { planStrings } from './strings.ts';
export { type Way, wayTo } from './way.ts';
