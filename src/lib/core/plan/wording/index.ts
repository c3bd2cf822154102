export * from './contains';
export * from './heading-check';
export * from './own-headings';
export * from './phrases';
export { quietCase } from './quiet-case';
export * from './subject';
export * from './titles';
