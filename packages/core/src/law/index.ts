/** What an angler wrote down of the law of a water, and what of it bears on an act. */
export * from './rule-card';
