export * from './materials';
export * from './sink';
export * from './line-bow';
export * from './tip-up';
