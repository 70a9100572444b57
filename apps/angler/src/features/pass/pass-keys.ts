import type { PassLine } from '@burrow/core/troll';
import type { ThumbKey } from '@/ui/ThumbBar';

interface Pressed {
  lines: readonly PassLine[];
  strike: (line: PassLine) => unknown;
  turnRound: () => unknown;
  setSheet: (sheet: 'strike' | 'fish' | 'depths' | 'more') => void;
}

/** Whether a line runs with two baits. */
export const hasTwo = (line: PassLine): boolean => line.second !== null;

/** The keys of a pass, with a chart and without. */
export const passKeys = ({ lines, strike, turnRound, setSheet }: Pressed): ThumbKey[] => [
  {
    id: 'strike',
    label: 'Strike',
    detail: lines.length > 1 ? 'which line' : lines.some(hasTwo) ? 'which bait' : undefined,
    icon: 'bite',
    shortcut: 'S',
    onPress: () => void (lines.length === 1 && !hasTwo(lines[0]) ? strike(lines[0]) : setSheet('strike')),
  },
  { id: 'fish', label: 'Fish', icon: 'fish', shortcut: 'F', main: true, onPress: () => setSheet('fish') },
  { id: 'turn', label: 'Turn', detail: 'next pass', icon: 'turn', shortcut: 'T', onPress: () => void turnRound() },
  { id: 'depths', label: 'Depths', icon: 'depths', shortcut: 'D', onPress: () => setSheet('depths') },
  { id: 'more', label: 'More', icon: 'more', shortcut: 'M', onPress: () => setSheet('more') },
];
