export { NeckCard } from './NeckCard.tsx';
export { useCoupling } from './useCoupling.ts';
