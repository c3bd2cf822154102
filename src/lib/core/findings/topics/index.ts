export * from './heading-likeness';
export * from './topics';
export * from './topic-words';
