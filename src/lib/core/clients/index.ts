export * from './client';
export * from './link-map';
export * from './voice';
