export * from './unit';
export * from './unit-edits';
export * from './units-blocks';
export { readNoteUnits } from './read-units';
export { lengthWishOf } from './cues';
export { LIKELY_KINDS, signsOf } from './line-signs';
export { cutSentences as noteSentencesOf } from './cut-sentences';
