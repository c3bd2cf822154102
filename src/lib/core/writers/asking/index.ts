export * from './request';
export * from './signs';
export * from './request-text';
export * from './wording';
