export * from './photo.ts';
export * from './picture-file.ts';
