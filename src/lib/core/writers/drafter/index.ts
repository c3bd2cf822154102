export * from './built-in';
export * from './draft-material';
export { Narrator, passagesOf, type DraftNote } from './note-material';
