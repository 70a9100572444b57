export * from './series';
export * from './fronts';
export * from './phases';
export * from './sun';
export * from './radiation';
export * from './seen';
export * from './coverage';
