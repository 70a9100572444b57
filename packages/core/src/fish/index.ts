export * from './standard-weight';
export * from './species';
export { speciesTable } from './species-table';
export * from './depth-injury';
