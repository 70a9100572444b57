/** Stands in for Zod's compiler of schemas, which writes code at run time: the page's security policy forbids that, and nothing here asks for it. */
const absent = () => {
  throw new Error('compiled schemas are not part of the app');
};

export const INVALID = Symbol.for('zod.compile.invalid');
export const ZodCompileAsyncError = Error;
export const ZodCompileUnsupportedError = Error;
export const compile = absent;
export const withParser = absent;
export const compileFn = absent;
