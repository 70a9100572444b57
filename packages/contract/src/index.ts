export * from './events';
