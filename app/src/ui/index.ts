export { Action } from './Action.tsx';
export { AxisX, AxisY } from './Axes.tsx';
export { download } from './download.ts';
export { EmptyView } from './EmptyView.tsx';
export { KeyList } from './KeyList.tsx';
export { NotSaved } from './NotSaved.tsx';
export { Notices } from './notices.ts';
export { ReferenceLine } from './ReferenceLine.tsx';
export { Shell } from './Shell.tsx';
export { theme } from './theme.ts';
export { type KeyMap, useKeys } from './useKeys.ts';
export type { Perch, Stroke } from './wires/draw.ts';
export { MiniWires } from './wires/MiniWires.tsx';
export { deviationInWords, signedCents } from './wires/scale.ts';
export { WireCanvas } from './wires/WireCanvas.tsx';
export {
  counted,
  distanceInWords,
  durationInWords,
  forceFigure,
  forceInWords,
  shortDuration,
  whenInWords,
} from './words.ts';
