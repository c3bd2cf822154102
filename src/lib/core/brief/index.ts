export * from './brief-markdown';
export * from './brief';
export * from './effort';
export * from './section-kind';
