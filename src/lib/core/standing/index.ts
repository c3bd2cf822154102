export * from './moves';
export * from './score';
export * from './slips';
export * from './standing-of-page';
export * from './state';
export * from './term-state';
export * from './yardstick';
export * from './holds';
