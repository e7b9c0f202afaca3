export { InstrumentPage } from './InstrumentPage.tsx';
export { LabelsPage } from './LabelsPage.tsx';
export { ShelfView as default } from './ShelfView.tsx';
