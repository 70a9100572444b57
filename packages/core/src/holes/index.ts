export * from './tour';
export * from './density';
export * from './place-score';
export * from './scan-plan';
export * from './next-hole';
export * from './from-log';
export * from './wording';
