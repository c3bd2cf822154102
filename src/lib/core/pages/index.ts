export * from './article';
export * from './clean-page';
export * from './html-tree';
export * from './page-kind';
export * from './read-text';
export * from './rich-text';
export * from './plain-headings';
