export { Action } from './Action.tsx';
export { AxisX, AxisY } from './Axes.tsx';
export { CheckedNumber, type NumberRule } from './CheckedNumber.tsx';
export { dayInWords, momentInWords, whenInWords } from './dates.ts';
export { download } from './download.ts';
export { EmptyView } from './EmptyView.tsx';
export { KeyList } from './KeyList.tsx';
export { NotSaved } from './NotSaved.tsx';
export { NoticeLine, Notices, NoticesProvider, useNotices } from './notices.tsx';
export { ReferenceLine } from './ReferenceLine.tsx';
export { Shell } from './Shell.tsx';
export { theme } from './theme.ts';
export { Unsaved } from './Unsaved.tsx';
export { type KeyMap, useKeys } from './useKeys.ts';
export { View } from './View.tsx';
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
} from './words.ts';
