export * from './arrange';
export * from './budgets';
export * from './changes';
export * from './limits';
export * from './matters';
export * from './outline';
export * from './per-findings';
export * from './section-topics';
