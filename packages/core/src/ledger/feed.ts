/** Where a ball of feed comes apart. */
export const ballBreaks = ['surface', 'half', 'bottom', 'never'] as const;
/** What is fed in it. */
export const feedParticleIds = ['crumb', 'pellet', 'maggot', 'caster', 'hemp'] as const;
