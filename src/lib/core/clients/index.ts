export * from './client-file';
export * from './client';
export * from './link-map';
export * from './link-suggestions';
export * from './plan-form';
export * from './profile-changes';
export * from './voice';
