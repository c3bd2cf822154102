export * from './heading-likeness';
export * from './topics';
