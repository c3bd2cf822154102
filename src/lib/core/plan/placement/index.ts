export * from './affinity';
export * from './flow';
export * from './match-topics';
export * from './neighbours';
export * from './place-facts';
export * from './place-questions';
export * from './place-terms';
export * from './solve';
