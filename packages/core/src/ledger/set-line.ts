import type { LineState } from './state';

/** How the rods of set lines are named, with a number after it. */
export const setLinePrefix = 'tip-up';

/** Whether a line is set and fishes for itself until its flag rises. */
export const isSetLine = ({ rod }: Pick<LineState, 'rod'>): boolean => rod.startsWith(setLinePrefix);
