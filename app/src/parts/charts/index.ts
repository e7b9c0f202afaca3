export { AxisX, AxisY } from './Axes.tsx';
export { NumberedString } from './NumberedString.tsx';
export { ReferenceLine } from './ReferenceLine.tsx';
export { Sized } from './Sized.tsx';
