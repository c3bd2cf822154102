export * from './read-questions';
