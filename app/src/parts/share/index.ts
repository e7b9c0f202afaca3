export { asLinked, ShareLink } from './ShareLink.tsx';
