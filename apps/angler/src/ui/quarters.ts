/** The eight quarters of the compass as keys, by their bearing in degrees. */
export const quarters = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'].map((label, k) => ({ id: String(45 * k), label }));
