export * from './agreement';
export * from './fact-group';
export * from './fact-groups';
export * from './facts';
export * from './figure-label';
export * from './gather-statements';
export * from './note-passages';
export * from './statements';
