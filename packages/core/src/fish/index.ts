/** Species: the depths and temperatures they use, their standard weights, and how deep water hurts them. */
export * from './standard-weight';
export * from './species';
export { isKnownSpecies, speciesOf, speciesTable } from './species-table';
export * from './depth-injury';
export * from './offered';
export * from './keys';
