/** Every rule of fieldcraft the program goes by, with its wording, strength and viewpoint. */
export { fieldcraftRules, type FieldcraftRule } from './rules';
