export * from './built-in-moves';
export * from './built-in';
export * from './draft-material';
export { passagesOf, type DraftNote } from './note-material';
export * from './note-fates';
