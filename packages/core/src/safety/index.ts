export * from './ice';
export * from './cold';
