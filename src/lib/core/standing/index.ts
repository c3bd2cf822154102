export * from './evidence';
export * from './state';
export * from './standing';
export * from './moves';
export * from './pages';
