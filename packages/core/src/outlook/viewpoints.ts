/** Points on which good anglers differ. Both sides are kept; one is the default, the other one switch away. */
export type ViewpointQuestion = 'pressure-or-light' | 'early-or-warmed';

export interface Viewpoints {
  'pressure-or-light': 'both' | 'glass' | 'light';
  'early-or-warmed': 'by-water' | 'early' | 'warmed';
}

export const startingViewpoints: Viewpoints = { 'pressure-or-light': 'both', 'early-or-warmed': 'by-water' };

export const viewpointWords: { [Q in ViewpointQuestion]: { question: string; options: readonly { id: Viewpoints[Q]; label: string }[] } } = {
  'pressure-or-light': {
    question: 'Do fish read the glass, or only the light?',
    options: [
      { id: 'both', label: 'Both' },
      { id: 'glass', label: 'The glass' },
      { id: 'light', label: 'The light' },
    ],
  },
  'early-or-warmed': {
    question: 'First hours, or warmed hours?',
    options: [
      { id: 'by-water', label: 'By the water' },
      { id: 'early', label: 'First hours' },
      { id: 'warmed', label: 'Warmed hours' },
    ],
  },
};
