export { LABEL_PAPERS, LABEL_SHEETS, type LabelSheet, type LabelSheetId, isLabelSheet, labelPlace, nextFree, placesOn } from './label-sheets.ts';
export { type JobLabel, labelsOf } from './labels.ts';
export { priceOf } from './price.ts';
export { traySlots } from './tray.ts';
export { backOnCard, kitsOnCard } from './work-card.ts';
