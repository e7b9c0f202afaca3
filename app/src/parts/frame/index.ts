export { Action } from './Action.tsx';
export { CheckedLength } from './CheckedLength.tsx';
export { CheckedNumber, decimals, judgedNumber, type NumberRule } from './CheckedNumber.tsx';
export { Dialog } from './Dialog.tsx';
export { useDistance } from './distance.ts';
export { download } from './download.ts';
export { EmptyView } from './EmptyView.tsx';
export { IconAction } from './IconAction.tsx';
export {
  type ActOf,
  type JobAct,
  type JobView,
  KEY_TABLE,
  type KeyActs,
  type KeyLine,
  keyLines,
  keyName,
  keysOf,
} from './keyTable.ts';
export { NotSaved } from './NotSaved.tsx';
export { NoticeLine, Notices, NoticesProvider, useNotices } from './notices.tsx';
export { Shell } from './Shell.tsx';
export { theme } from './theme.ts';
export { Unsaved } from './Unsaved.tsx';
export { useDrop } from './useDrop.ts';
export { type KeyMap, useKeys } from './useKeys.ts';
export { View } from './View.tsx';
export { ViewHead } from './ViewHead.tsx';
export { Wide } from './Wide.tsx';
