export * from './questions';
export * from './same-question';
