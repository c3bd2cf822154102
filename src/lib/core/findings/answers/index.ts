export * from './asked';
export * from './find-answers';
export * from './said';
export * from './wanted';
