export { InstrumentPage } from './InstrumentPage.tsx';
export { ShelfView as default } from './ShelfView.tsx';
