export * from './wording';
