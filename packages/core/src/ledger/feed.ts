/** Where a ball of feed comes apart. */
export const ballBreaks = ['surface', 'half', 'bottom', 'never'] as const;
/** What is fed in it. */
export const feedParticleIds = ['crumb', 'pellet', 'maggot', 'caster', 'hemp'] as const;

/** What goes into a swim, several of them in one entry. */
export const feedContents = ['crumb', 'bread', 'soil', 'hemp', 'casters', 'pinkies', 'maggots', 'pellet'] as const;
/** How it gets there: from a cup, thrown, by catapult, or loose by hand. */
export const feedWays = ['cup', 'throw', 'catapult', 'loose'] as const;
