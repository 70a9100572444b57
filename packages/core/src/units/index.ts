export * from './range';
export * from './random';
export * from './preference';
export * from './clock';
