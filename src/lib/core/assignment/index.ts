export * from './analyse';
export * from './evidence';
export * from './work-store';
export * from './proof-evidence';
