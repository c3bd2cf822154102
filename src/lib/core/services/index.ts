export * from './keyword-services';
export * from './page-service';
export * from './site';
