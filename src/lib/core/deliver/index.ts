export * from './html';
export * from './archive';
