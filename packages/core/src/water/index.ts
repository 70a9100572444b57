export * from './density';
export * from './sound';
export * from './oxygen';
export * from './light';
