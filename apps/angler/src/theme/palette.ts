/** Colours by meaning, for glare and for the dark. Contrasts hold: body ≥ 7:1, all else ≥ 4.5:1. */
export interface Palette {
  name: 'day' | 'dusk';
  ground: string;
  card: string;
  ink: string;
  second: string;
  line: string;
  /** The jig, and the one main action. */
  ember: string;
  onEmber: string;
  /** Fish, and what is good. */
  kelp: string;
  onKelp: string;
  /** Bottom and structure. */
  plum: string;
  /** Caution text and its ground. */
  straw: string;
  strawGround: string;
  /** Night on the ribbon, water in the shaft from its top to its depth. */
  night: string;
  waterTop: string;
  waterDeep: string;
  /** Depth ramp of the map, shallow to deep. */
  depths: readonly string[];
}

export const day: Palette = {
  name: 'day',
  ground: '#F6FAFB',
  card: '#FFFFFF',
  ink: '#0F2430',
  second: '#3D5766',
  line: '#C9D6DB',
  ember: '#A8330D',
  onEmber: '#FFFFFF',
  kelp: '#0B5F55',
  onKelp: '#FFFFFF',
  plum: '#64276B',
  straw: '#704900',
  strawGround: '#FBEFD0',
  night: '#CFE0E6',
  waterTop: '#E9F1F4',
  waterDeep: '#C6D8DD',
  depths: ['#EAF1F4', '#DCE7EB', '#CDDCE1', '#BED0D7', '#AFC4CC', '#A0B8C1', '#91ABB6', '#829FAB', '#7493A0'],
};

export const dusk: Palette = {
  name: 'dusk',
  ground: '#0B161B',
  card: '#13222A',
  ink: '#F4EBDD',
  second: '#C0B7A9',
  line: '#2C4048',
  ember: '#FF8F61',
  onEmber: '#0B161B',
  kelp: '#63CFBB',
  onKelp: '#0B161B',
  plum: '#D9A5E5',
  straw: '#F5CE7A',
  strawGround: '#2B2616',
  night: '#0F2A35',
  waterTop: '#162B35',
  waterDeep: '#1C3A42',
  depths: ['#1B3038', '#1E3841', '#21404A', '#244853', '#27505C', '#2A5865', '#2D606E', '#306877', '#337080'],
};
