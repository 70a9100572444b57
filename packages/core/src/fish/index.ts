export * from './standard-weight';
export * from './species';
export * from './depth-injury';
