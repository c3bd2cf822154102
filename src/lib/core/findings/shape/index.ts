export * from './habits';
export * from './length';
export * from './shape';
