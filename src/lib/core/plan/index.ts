export * from './outline';
export * from './flow';
export * from './place';
export * from './propose';
export * from './wording';
export * from './warnings';
export * from './contains';
