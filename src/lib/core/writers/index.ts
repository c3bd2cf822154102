export * from './drafter';
export * from './asking';
export * from './endpoint';
export * from './version';
export * from './writer';
export * from './reply';
export * from './changes';
export * from './rewording';
