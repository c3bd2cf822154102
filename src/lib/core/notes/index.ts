export * from './read-questions';
export * from './subtitles';
export * from './transcript-text';
export * from './pdf-text';
export * from './note-article';
export * from './note-kind';
export * from './units';
