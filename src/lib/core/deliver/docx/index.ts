export * from './write-docx';
