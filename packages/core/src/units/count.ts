/** A number with its noun: "1 hole", "3 holes", "2 passes", "2 fish". */
export const counted = (n: number, one: string, many = one.endsWith('s') ? `${one}es` : `${one}s`): string => `${n} ${n === 1 ? one : many}`;
