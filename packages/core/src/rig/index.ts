export * from './materials';
export * from './sink';
export * from './line-bow';
export * from './line-angle';
export * from './tip-up';
