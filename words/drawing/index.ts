export * from './colours.ts';
export * from './faces-marks.ts';
export * from './layout.ts';
export * from './paper.ts';
export * from './picture.ts';
export * from './plug-faces.ts';
export * from './svg.ts';
export * from './word-lines.ts';
