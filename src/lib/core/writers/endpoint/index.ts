export * from './chat';
export * from './endpoint-writer';
export * from './stand-in';
export * from './settings';
