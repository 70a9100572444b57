/** Stands in for Zod's JSON Schema modules, which only the server uses (for its OpenAPI). */
const absent = () => {
  throw new Error('JSON Schema is not part of the app');
};

export const createStandardJSONSchemaMethod = () => absent;
export const createToJSONSchemaMethod = () => absent;
export const aggregateChecks = () => ({});
export const toJSONSchema = absent;
export const fromJSONSchema = absent;
export const JSONSchemaGenerator = absent;
