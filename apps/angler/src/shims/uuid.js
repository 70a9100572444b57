export { default as v7 } from '../../../../node_modules/uuid/dist/v7.js';
