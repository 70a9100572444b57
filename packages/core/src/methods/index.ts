/** Ways of fishing: one interface, a file for each, and a register that names them. */
export * from './method';
export { addMethod, effortUnitOf, methodIds, methodOf, methodsOn, stepsOn, usualMethod } from './registry';
