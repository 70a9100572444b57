/** Species: the depths and temperatures they use, their standard weights, and how deep water hurts them. */
export * from './standard-weight';
export * from './species';
export * from './names';
export * from './regions';
export { adviceOfWords, anyFish, isKnownSpecies, speciesOf, speciesTable } from './species-table';
export * from './choice';
export * from './depth-injury';
export * from './offered';
export * from './keys';
