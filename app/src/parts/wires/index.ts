export type { Perch, Stroke } from './draw.ts';
export { MiniWires } from './MiniWires.tsx';
export { WireCanvas } from './WireCanvas.tsx';
export { type WireLine, WireList } from './WireList.tsx';
