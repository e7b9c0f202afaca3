export { asLinked, LinkCode, linkTo, ShareLink } from './ShareLink.tsx';
