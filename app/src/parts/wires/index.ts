export type { Perch, Stroke } from './draw.ts';
export { FoundBar } from './FoundBar.tsx';
export { FoundWires } from './FoundWires.tsx';
export { MiniWires } from './MiniWires.tsx';
export { ofPair } from './ofPair.ts';
export { wireHeight } from './scale.ts';
export { WireCanvas } from './WireCanvas.tsx';
export { type WireLine, WireList } from './WireList.tsx';
