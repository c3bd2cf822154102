export * from './brief';
export * from './brief-markdown';
export * from './effort';
export * from './wording-check';
