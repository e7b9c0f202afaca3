export type { FootButton } from './Foot.tsx';
export { Job, type JobActs } from './Job.tsx';
export { ListeningPart, useUsualSource } from './ListeningPart.tsx';
export type { PlainAction } from './More.tsx';
export { Stage } from './Stage.tsx';
export { StageFigure } from './StageFigure.tsx';
