export * from './standard-weight';
export * from './species';
export { speciesOf, speciesTable } from './species-table';
export * from './depth-injury';
export * from './offered';
