export * from './article';
export * from './clean-page';
export * from './html-tree';
export * from './page-kind';
export * from './read-text';
