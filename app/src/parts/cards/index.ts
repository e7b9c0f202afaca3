export {
  type Card,
  type CardCheck,
  cardOf,
  checkInWords,
  comparisonsOf,
  HIGHEST_FRET,
  heldInWords,
} from './card.ts';
export { NeighbourMap } from './NeighbourMap.tsx';
export { TemperedGrid } from './TemperedGrid.tsx';
