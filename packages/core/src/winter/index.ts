export * from './ice';
