export { BigFigure } from './BigFigure.tsx';
export { ListeningProblem } from './ListeningProblem.tsx';
export { type LiveNote, useRinging, useRingingCourse } from './live.ts';
export { roomInWords } from './room.ts';
export { Sources } from './Sources.tsx';
export { type Listening, useListening } from './useListening.ts';
