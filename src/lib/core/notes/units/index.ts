export * from './unit';
export * from './unit-edits';
export * from './units-blocks';
export { readNoteUnits } from './read-units';
