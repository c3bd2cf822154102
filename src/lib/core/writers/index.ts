export * from './drafter';
export * from './request';
export * from './version';
export * from './writer';
