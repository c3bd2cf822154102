export * from './from-page';
export * from './read-block';
export * from './rhythm';
export * from './runs';
export * from './article-reading';
export * from './sense';
