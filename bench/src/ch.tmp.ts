import { coachFigures } from './sessions.ts';

console.time('t');
coachFigures(Number(process.argv[2]), Number(process.argv[3]));
console.timeEnd('t');
