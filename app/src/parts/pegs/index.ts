export { PegMap } from './PegMap.tsx';
export { pegTurn } from './pegTurn.ts';
