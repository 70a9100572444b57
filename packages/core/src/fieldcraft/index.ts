export { fieldcraftRules, type FieldcraftRule } from './rules';
