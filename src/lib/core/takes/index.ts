export * from './doc';
export * from './measure';
export * from './tally';
export * from './markdown';
export * from './term-state';
export * from './slips';
export * from './plan-sync';
