export * from './checks';
export * from './decisions';
export * from './mark';
export * from './run-checks';
