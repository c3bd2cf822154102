export * from './read-questions';
export * from './subtitles';
export * from './transcript-text';
