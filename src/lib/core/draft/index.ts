export * from './note-material';
export * from './draft-article';
