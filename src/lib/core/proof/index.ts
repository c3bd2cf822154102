export * from './all-checks';
export * from './checks';
export * from './claims';
export * from './decisions';
export * from './mark';
export * from './passages';
export * from './run-checks';
export * from './work-in-terms';
