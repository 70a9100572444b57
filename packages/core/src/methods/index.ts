/** Ways of fishing: one interface, a file for each, and a register that names them. */
export * from './method';
export { riverIce, sheltered, skinned, waysNow, type WaysNow } from './cautions';
export { addMethod, effortUnitOf, methodIds, methodOf, methodsOn, otherMethods, stepsOn, usualMethod } from './registry';
