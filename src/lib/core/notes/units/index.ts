export * from './unit';
export { readNoteUnits } from './read-units';
