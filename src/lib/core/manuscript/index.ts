export * from './build';
export * from './follow-plan';
export * from './markdown';
export * from './node';
export * from './replace-words';
export * from './sections';
export * from './plan-of-article';
