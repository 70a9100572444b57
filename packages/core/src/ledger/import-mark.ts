/** Stands before the file's name in the device of entries that another wrote. */
const mark = 'brought in from ';
/** Longest device that an entry may have. */
const longest = 120;

/** The device of entries that another wrote and that were brought in from a file: so they stay marked on every phone. */
export const importDevice = (file: string): string => `${mark}${file}`.slice(0, longest);

/** The file that an entry was brought in from; null for one's own. */
export const broughtFrom = (device: string): string | null => (device.startsWith(mark) ? device.slice(mark.length) : null);
