export * from './file-kind';
export * from './mhtml';
export * from './unzip';
