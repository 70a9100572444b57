export * from './ice';
export * from './cold';
export * from './hazards';
