export { AxisX, AxisY } from './Axes.tsx';
export { FretStrip } from './FretStrip.tsx';
export { HeatGrid } from './HeatGrid.tsx';
export { NumberedString } from './NumberedString.tsx';
export { ReferenceLine } from './ReferenceLine.tsx';
export { Sized } from './Sized.tsx';
